package dev.yardarm.desk.work;

/** How soon work is wanted; each lane has threads of its own, so that what can wait keeps nothing waiting. */
public enum Lane {
    /** What the trader looks at: charts. */
    NOW,
    /** What he will look at next: quotes, cards, setting up alerts. */
    SOON,
    /** What takes its time: making demo data, scans, exports. */
    BEHIND,
    /** What tells him something outside the window: sounds, the system's notices, the open file of firings. Short, and kept waiting by no scan. */
    TELLING
}
