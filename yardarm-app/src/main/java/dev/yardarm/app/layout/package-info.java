/** Many charts: cells, the panes that arrange them, tabs of layouts, windows of their own. */
package dev.yardarm.app.layout;
