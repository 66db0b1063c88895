package dev.yardarm.app.window;

import dev.yardarm.app.workbench.Workbench;

/** The parts of the window that actions reach; asked for when an action is done, since some are made late. */
interface WindowParts {
    Workbench bench();

    ChartPage page();

    StatusLine status();

    void toggleHelp();

    void showNotices();

    /** Opens the chart of the newest alert that was not looked at. */
    void openNewestAlert();
}
