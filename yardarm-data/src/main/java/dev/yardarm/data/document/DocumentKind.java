package dev.yardarm.data.document;

import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.own.OwnIndicator;
import dev.yardarm.core.scan.ScanRun;
import dev.yardarm.core.scan.ScanSchedule;
import java.util.List;

/**
 * A kind of document: its format and version as they stand in the file, the folder it lives in, and what it is called.
 *
 * @param format like {@code yardarm/tracing}; the schema is {@code schema/tracing.schema.json}
 * @param folder below the store's folder, empty for the folder itself
 * @param codec how it stands in JSON
 * @param migrations from each version to the next, the first from version 1
 */
public record DocumentKind<T>(
        String format, int version, String folder, String title, Codec<T> codec, List<Migration> migrations) {
    public static final DocumentKind<Documents.Workspace> WORKSPACE = plain(
            "workspace",
            "workspace",
            Documents.Workspace.class,
            OlderForms::chartsToLayouts,
            OlderForms::workspaceScales);
    public static final DocumentKind<Documents.Tracing> TRACING = new DocumentKind<>(
            "yardarm/tracing",
            1,
            "tracings",
            "tracing",
            Codec.mended(Documents.Tracing.class, DrawingMender::mend),
            List.of());
    public static final DocumentKind<Entries<NamedList>> LISTS = entries("lists", NamedList.class);
    public static final DocumentKind<Entries<StanceEntry>> STANCES =
            entries("stances", StanceEntry.class, Migration.NOTHING);
    public static final DocumentKind<Entries<AlertEntry>> ALERTS =
            entries("alerts", AlertEntry.class, OlderForms::alertsWithoutFirings, OlderForms::alertsOfOneWait);
    public static final DocumentKind<Entries<FiringEntry>> FIRINGS =
            entries("firings", FiringEntry.class, OlderForms::firingsInWords);
    public static final DocumentKind<Entries<CallEntry>> CALLS = entries("calls", CallEntry.class);
    public static final DocumentKind<Entries<CallEventEntry>> CALL_EVENTS =
            entries("call-events", CallEventEntry.class);
    public static final DocumentKind<Entries<ScenarioEntry>> SCENARIOS = entries("scenarios", ScenarioEntry.class);
    public static final DocumentKind<Entries<PlanEntry>> PLANS =
            entries("plans", PlanEntry.class, OlderForms::plansThatStand);
    public static final DocumentKind<Entries<ScanEntry>> SCANS =
            entries("scans", ScanEntry.class, OlderForms::scansOfOneList);
    public static final DocumentKind<Entries<ScanRun>> SCAN_RUNS = entries("scan-runs", ScanRun.class);
    public static final DocumentKind<Entries<ScanSchedule>> SCAN_SCHEDULES =
            entries("scan-schedules", ScanSchedule.class);
    public static final DocumentKind<Entries<InquiryEntry>> INQUIRIES = entries("inquiries", InquiryEntry.class);
    public static final DocumentKind<Entries<OwnIndicator>> OWN_INDICATORS =
            entries("own-indicators", OwnIndicator.class);
    public static final DocumentKind<Entries<Blend>> BLENDS = entries("blends", Blend.class);
    public static final DocumentKind<Documents.Market> MARKET = plain("market", "market clock", Documents.Market.class);
    public static final DocumentKind<Documents.Instruments> INSTRUMENTS =
            plain("instruments", "instruments", Documents.Instruments.class);
    public static final DocumentKind<Entries<Documents.AlertChart>> ALERT_CHARTS =
            entries("alert-charts", Documents.AlertChart.class);
    public static final DocumentKind<Entries<Documents.Preset>> PRESETS =
            entries("presets", Documents.Preset.class, OlderForms::presetScales);
    public static final DocumentKind<Documents.Export> EXPORT =
            plain("workspace-export", "exported workspace", Documents.Export.class, OlderForms::exportScales);
    public static final DocumentKind<Documents.Keys> KEYS = plain("keys", "keys", Documents.Keys.class);
    public static final DocumentKind<Documents.Habits> HABITS =
            plain("habits", "habits", Documents.Habits.class, OlderForms::habitScales);

    public DocumentKind {
        migrations = List.copyOf(migrations);
    }

    private static <T> DocumentKind<T> plain(String name, String title, Class<T> type, Migration... migrations) {
        return new DocumentKind<>(
                "yardarm/" + name, migrations.length + 1, "", title, Codec.of(type), List.of(migrations));
    }

    /** A list of entries, called in its file as the document is. */
    private static <E> DocumentKind<Entries<E>> entries(String name, Class<E> type, Migration... migrations) {
        return new DocumentKind<>(
                "yardarm/" + name, migrations.length + 1, "", name, Entries.codec(name, type), List.of(migrations));
    }
}
