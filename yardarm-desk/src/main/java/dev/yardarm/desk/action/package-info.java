/** What can be done, said once: keys, words, menus, buttons, tooltips, help and the key file are made from these. */
package dev.yardarm.desk.action;
