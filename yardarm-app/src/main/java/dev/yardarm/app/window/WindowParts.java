package dev.yardarm.app.window;

import dev.yardarm.app.view.WatchPages;
import dev.yardarm.app.workbench.Workbench;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.instrument.Instrument;
import java.util.Optional;

/** The parts of the window that actions reach; asked for when an action is done, since some are made late. */
interface WindowParts {
    Workbench bench();

    ChartPage page();

    StatusLine status();

    /** The view Watch with its pages. */
    WatchPages watch();

    /** The instrument worked on in the view in front. */
    Optional<Instrument> instrument();

    /** The timeframe it is looked at on there; empty for that of the chart in hand. */
    Optional<Timeframe> timeframe();

    /** Looks at what came after the scan being written. */
    void gatherEvidence();

    void toggleHelp();

    void showNotices();

    /** Opens the chart of the newest alert that was not looked at. */
    void openNewestAlert();
}
