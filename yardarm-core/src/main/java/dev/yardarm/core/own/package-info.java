/** What a trader makes of the language and keeps: indicators of his own with their versions. */
package dev.yardarm.core.own;
