package dev.yardarm.app.window;

/** What lies over the window: keys go to it first. */
interface Overlays {
    void toggleHelp();

    /** Whether something lies over the window that has the keys to itself. */
    boolean areOpen();

    /** Closes what lies in front; false when nothing does. */
    boolean closeFront();

    /** Puts the newest alert away that was not looked at; false when there is none. */
    boolean putAlertAway();
}
