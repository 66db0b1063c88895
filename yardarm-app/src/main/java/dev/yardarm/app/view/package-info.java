/** The views beside Chart: Scan, Watch, Plan. */
package dev.yardarm.app.view;
