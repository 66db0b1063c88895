package dev.yardarm.data.document;

/**
 * A kind of document: its format and version as they stand in the file, the folder it lives in, and what it is called.
 *
 * @param format like {@code yardarm/tracing}; the schema is {@code schema/tracing.schema.json}
 * @param folder below the store's folder, empty for the folder itself
 */
public record DocumentKind<T>(String format, int version, String folder, String title, Class<T> type) {
    public static final DocumentKind<Documents.Workspace> WORKSPACE =
            new DocumentKind<>("yardarm/workspace", 2, "", "workspace", Documents.Workspace.class);
    public static final DocumentKind<Documents.Tracing> TRACING =
            new DocumentKind<>("yardarm/tracing", 1, "tracings", "tracing", Documents.Tracing.class);
    public static final DocumentKind<Documents.Lists> LISTS =
            new DocumentKind<>("yardarm/lists", 1, "", "lists", Documents.Lists.class);
    public static final DocumentKind<Documents.Stances> STANCES =
            new DocumentKind<>("yardarm/stances", 1, "", "stances", Documents.Stances.class);
    public static final DocumentKind<Documents.Alerts> ALERTS =
            new DocumentKind<>("yardarm/alerts", 1, "", "alerts", Documents.Alerts.class);
    public static final DocumentKind<Documents.Plans> PLANS =
            new DocumentKind<>("yardarm/plans", 1, "", "plans", Documents.Plans.class);
    public static final DocumentKind<Documents.Scans> SCANS =
            new DocumentKind<>("yardarm/scans", 1, "", "scans", Documents.Scans.class);
    public static final DocumentKind<Documents.Market> MARKET =
            new DocumentKind<>("yardarm/market", 1, "", "market clock", Documents.Market.class);
    public static final DocumentKind<Documents.Instruments> INSTRUMENTS =
            new DocumentKind<>("yardarm/instruments", 1, "", "instruments", Documents.Instruments.class);
    public static final DocumentKind<Documents.Presets> PRESETS =
            new DocumentKind<>("yardarm/presets", 1, "", "presets", Documents.Presets.class);
    public static final DocumentKind<Documents.Export> EXPORT =
            new DocumentKind<>("yardarm/workspace-export", 1, "", "exported workspace", Documents.Export.class);
    public static final DocumentKind<Documents.Keys> KEYS =
            new DocumentKind<>("yardarm/keys", 1, "", "keys", Documents.Keys.class);
    public static final DocumentKind<Documents.Habits> HABITS =
            new DocumentKind<>("yardarm/habits", 1, "", "habits", Documents.Habits.class);
}
