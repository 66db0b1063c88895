package dev.yardarm.desk.line;

import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.desk.room.chart.Spans;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.LinkRules;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Lines about the chart itself: kinds of bars, sessions, scale, spans, layouts, links, presets, lists, files. */
final class ChartWords {
    /** A century of days: more than any history holds. */
    private static final int MOST_DAYS = 36_500;

    private final String text;
    private final String first;
    private final String rest;
    private final List<Proposal> proposals = new ArrayList<>();

    private ChartWords(String text, String[] words) {
        this.text = text;
        first = words[0].toLowerCase(Locale.ROOT);
        rest = text.substring(words[0].length()).strip();
    }

    static List<Proposal> read(String text, String[] words) {
        ChartWords reading = new ChartWords(text, words);
        reading.rule();
        reading.request();
        reading.scale();
        reading.place();
        reading.layout();
        reading.kept();
        reading.beginnings();
        return reading.proposals;
    }

    private void add(String kind, String detail, LineCommand command) {
        proposals.add(new Proposal(kind, text, detail, command));
    }

    /** A line that needs something more, or whose rest is wrong. */
    private void wrong(String kind, String detail) {
        add(kind, detail, null);
    }

    /** {@code range 20}, {@code brick 20 D}, {@code point-figure 1%x3}, {@code bars brick:20@D}. */
    private void rule() {
        String word = first;
        String measure = rest;
        if (word.equals("bars")) {
            if (rest.isEmpty()) {
                return;
            }
            String[] parts = rest.split("\\s+", 2);
            word = parts[0];
            measure = parts.length > 1 ? parts[1] : "";
        }
        String bare = word.split("[:@]")[0];
        boolean known =
                BarRule.EXAMPLES.stream().map(each -> each.split(":")[0]).anyMatch(bare::equals);
        boolean alone = measure.isEmpty() && !word.contains(":");
        if (!known || alone && !bare.equals("line-break") && !bare.equals("heikin-ashi")) {
            if (known) {
                wrong(
                        "bars",
                        "a size is missing, as in "
                                + BarRule.EXAMPLES.stream()
                                        .filter(each -> each.startsWith(first.equals("bars") ? rest : first))
                                        .findFirst()
                                        .orElse("range:20")
                                        .replace(':', ' '));
            }
            return;
        }
        String[] parts = measure.isEmpty() ? new String[0] : measure.split("\\s+");
        String form = word + (parts.length > 0 ? ":" + parts[0] : "") + (parts.length > 1 ? "@" + parts[1] : "");
        try {
            BarRule rule = BarRule.parse(form);
            add(
                    "bars",
                    rule.words() + rule.basis().map(basis -> " of " + basis).orElse(""),
                    new LineCommand.SetRule(rule));
        } catch (IllegalArgumentException bad) {
            wrong("bars", bad.getMessage());
        }
    }

    private void change(String detail, java.util.function.UnaryOperator<BarRequest> change) {
        add("bars", detail, new LineCommand.ChangeRequest(detail, change));
    }

    private void request() {
        try {
            switch (first) {
                case "session" -> {
                    SessionPart part = SessionPart.parse(rest);
                    change(part.words(), request -> request.withPart(part));
                }
                case "days" -> {
                    int days = rest.equals("all") ? 0 : Integer.parseInt(rest);
                    if (days < 0 || days > MOST_DAYS || days == 0 && !rest.equals("all")) {
                        throw new IllegalArgumentException(
                                "days are a whole number from 1 to " + MOST_DAYS + ", or all");
                    }
                    change(
                            days == 0 ? "load all days" : "load the last " + days + " days",
                            request -> request.withDays(days));
                }
                case "roll" -> {
                    RollRule roll = RollRule.parse(rest);
                    change("roll by " + roll, request -> request.withRoll(roll, request.joint()));
                }
                case "join" -> {
                    BarRequest.Joint joint = BarRequest.Joint.valueOf(rest.toUpperCase(Locale.ROOT));
                    change("contracts joined " + joint.words(), request -> request.withRoll(request.roll(), joint));
                }
                case "splits" ->
                    change(
                            "adjust for splits: " + onOff(),
                            request -> request.withAdjustments(onOff().equals("on"), request.dividends()));
                case "dividends" ->
                    change(
                            "adjust for dividends: " + onOff(),
                            request -> request.withAdjustments(request.splits(), onOff().equals("on")));
                case "gaps" ->
                    change(
                            rest.equals("kept") ? "show empty periods" : "hide empty periods",
                            request -> request.withGapsKept(rest.equals("kept")));
                case "clock", "zone" -> add("time", "write times of this zone", new LineCommand.SetZone(zone()));
                case "source" ->
                    add("instrument", "the same code of another source", new LineCommand.ChangeSource(rest));
                default -> {}
            }
        } catch (NumberFormatException noNumber) {
            wrong("bars", "days needs a number, as in days 20, or days all");
        } catch (DateTimeException noZone) {
            wrong("time", "'" + rest + "' is not a zone; write exchange, computer, UTC or Atlantic/Azores");
        } catch (IllegalArgumentException bad) {
            wrong(
                    "bars",
                    first.equals("join")
                            ? "contracts are joined unadjusted, by difference or by ratio: join difference"
                            : bad.getMessage());
        }
    }

    private String onOff() {
        return rest.equals("off") ? "off" : "on";
    }

    private ZoneId zone() {
        return rest.isEmpty() || rest.equals("exchange")
                ? null
                : rest.equals("computer") ? ZoneId.systemDefault() : ZoneId.of(rest);
    }

    private void scale(String detail, java.util.function.UnaryOperator<ScaleChoice> change) {
        add("scale", detail, new LineCommand.ChangeScale(detail, change));
    }

    private void scale() {
        switch (text.toLowerCase(Locale.ROOT)) {
            case "percent" -> scale("per cent from a bar", choice -> choice.withMode(ScaleChoice.Mode.PERCENT));
            case "index 100", "indexed" ->
                scale("an index, 100 at a bar", choice -> choice.withMode(ScaleChoice.Mode.INDEXED));
            case "invert" ->
                scale("inverted scale, or upright again", choice -> choice.withInverted(!choice.inverted()));
            case "fit all" -> scale("fit price and indicators", choice -> choice.withFit(ScaleChoice.Fit.ALL));
            default -> {}
        }
    }

    private void place() {
        Spans.read(text).ifPresent(span -> add("span", "show " + Spans.words(span), new LineCommand.ShowSpan(span)));
        String lower = text.toLowerCase(Locale.ROOT);
        if (lower.startsWith("go to")) {
            String where = text.substring(5).strip().toLowerCase(Locale.ROOT);
            if (where.equals("next event") || where.equals("last event")) {
                add("place", "go to the " + where, new LineCommand.GoTo(null, where.startsWith("next") ? 1 : -1));
                return;
            }
            try {
                add("place", "go to this date", new LineCommand.GoTo(LocalDate.parse(where), 0));
            } catch (DateTimeException noDate) {
                wrong("place", "needs a day, as in go to 2026-03-02, or next event, or last event");
            }
        }
    }

    private void layout() {
        try {
            if (first.equals("layout")) {
                ofLayout();
            } else if (first.equals("timeframes")) {
                add(
                        "timeframe",
                        rest.isEmpty()
                                ? "offer the usual timeframes"
                                : "the timeframes offered in menus and " + "the strip",
                        new OutsideLines.OfferTimeframes(timeframes()));
            } else if (first.equals("step-down")) {
                List<Timeframe> timeframes = timeframes();
                if (timeframes.size() < 2 || timeframes.size() > 3) {
                    throw new IllegalArgumentException("two or three timeframes, as in step-down W D 1h");
                }
                add("layout", "the instrument on these timeframes side by side", new LayoutLines.StepDown(timeframes));
            } else if (first.equals("link")) {
                link();
            }
        } catch (IllegalArgumentException bad) {
            wrong("layout", bad.getMessage());
        }
    }

    private List<Timeframe> timeframes() {
        List<Timeframe> timeframes = new ArrayList<>();
        for (String word : rest.isEmpty() ? new String[0] : rest.split("[\\s,]+")) {
            timeframes.add(Timeframe.parse(word)
                    .orElseThrow(() -> new IllegalArgumentException("'" + word + "' is not a timeframe")));
        }
        return timeframes;
    }

    private void ofLayout() {
        String[] words = rest.split("\\s+", 2);
        if (words[0].equals("new")) {
            String form = words.length > 1 ? words[1] : "1";
            add("layout", "a new layout in a tab", new LayoutLines.NewLayout("", Arrangement.parse(form)));
        } else if (words[0].equals("name")) {
            add(
                    "layout",
                    "the title of the layout in front",
                    words.length < 2 ? null : new LayoutLines.NameLayout(words[1]));
        } else if (!rest.isEmpty()) {
            Arrangement arrangement = Arrangement.parse(rest);
            int count = arrangement.charts().size();
            add("layout", count + (count == 1 ? " chart" : " charts"), new LayoutLines.Arrange(arrangement));
        } else {
            wrong("layout", "write it as layout 2x2, layout 3, layout new 1x2 or layout name TITLE");
        }
    }

    private void link() {
        String[] words = rest.split("\\s+");
        if (words[0].equals("none")) {
            add("link", "no link colour", new LayoutLines.SetLink(0, null));
            return;
        }
        int colour;
        try {
            colour = Integer.parseInt(words[0]);
        } catch (NumberFormatException noNumber) {
            colour = 0;
        }
        if (colour < 1 || colour > LinkRules.COLOURS) {
            throw new IllegalArgumentException("link colours are 1 to " + LinkRules.COLOURS + ", or none");
        }
        Set<LinkRules.Shared> shared = words.length > 1 ? EnumSet.noneOf(LinkRules.Shared.class) : null;
        for (String word : Arrays.asList(words).subList(1, words.length)) {
            if (!word.equals("shares")) {
                shared.add(shared(word)
                        .orElseThrow(() -> new IllegalArgumentException("'" + word + "' cannot be "
                                + "shared; charts share what, how, where, pointer and selection")));
            }
        }
        add(
                "link",
                "link colour " + colour + (shared == null ? "" : ", sharing what is named"),
                new LayoutLines.SetLink(colour, shared));
    }

    private static Optional<LinkRules.Shared> shared(String word) {
        return Arrays.stream(LinkRules.Shared.values())
                .filter(each -> each.isCalled(word.toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    /** Presets, lists, titles and files. */
    private void kept() {
        String[] words = rest.split("\\s+", 2);
        String more = words.length > 1 ? words[1] : "";
        switch (first) {
            case "preset" -> {
                KeptLines.PresetVerb verb = verb(KeptLines.PresetVerb.class, words[0], null);
                boolean plain = verb == null || verb == KeptLines.PresetVerb.APPLY;
                named(
                        "preset",
                        plain ? "put a preset on the chart" : words[0] + " a preset",
                        plain ? rest : more,
                        "preset swing, or preset save swing",
                        name -> new KeptLines.OfPreset(plain ? KeptLines.PresetVerb.APPLY : verb, name));
            }
            case "tracing" -> {
                KeptLines.TracingVerb verb = verb(KeptLines.TracingVerb.class, words[0], null);
                boolean plain = verb == null || verb == KeptLines.TracingVerb.USE;
                named(
                        "drawing",
                        plain
                                ? "draw on a tracing, a sheet of its own"
                                : verb == KeptLines.TracingVerb.MOVE
                                        ? "put the selected drawing on a tracing"
                                        : words[0] + " a tracing",
                        plain ? rest : more,
                        "tracing waves, or tracing hide waves",
                        name -> new KeptLines.OfTracing(plain ? KeptLines.TracingVerb.USE : verb, name));
            }
            case "style", "look" -> {
                KeptLines.Kept verb = kept(words[0]);
                named(
                        "style",
                        verb == KeptLines.Kept.APPLY
                                ? "give the selected indicator or drawings a saved style"
                                : words[0] + " settings and style of the selected indicator or drawing",
                        verb == KeptLines.Kept.APPLY ? rest : more,
                        "style save thick, then style thick",
                        name -> new KeptLines.OfLook(verb, name));
            }
            case "ratios" -> {
                KeptLines.Kept verb = kept(words[0]);
                named(
                        "ratios",
                        verb == KeptLines.Kept.APPLY
                                ? "give the selected drawings a saved set of ratios"
                                : words[0] + " a set of ratios",
                        verb == KeptLines.Kept.APPLY ? rest : more,
                        "ratios save shallow, then ratios shallow",
                        name -> new KeptLines.OfRatios(verb, name));
            }
            case "list" -> {
                ListLines.ListVerb verb = verb(ListLines.ListVerb.class, words[0], null);
                boolean plain = verb == null || verb == ListLines.ListVerb.SHOW;
                boolean nameless = rest.isEmpty() || more.isEmpty() && verb == ListLines.ListVerb.NEW;
                add(
                        "list",
                        nameless
                                ? "needs a name, as in list Focus; or new, add, remove, sort, paste, sector, tier, "
                                        + "weight, colour, move, name, delete"
                                : plain ? "go through another list" : words[0] + " in lists",
                        nameless
                                ? null
                                : new ListLines.OfList(plain ? ListLines.ListVerb.SHOW : verb, plain ? rest : more));
            }
            case "key" ->
                add(
                        "keys",
                        words.length < 2
                                ? "needs an action and a key, as in key layout.split-right V"
                                : "another key for an action",
                        words.length < 2 ? null : new OutsideLines.ChangeKey(words[0], more));
            case "title" ->
                named("chart", "a title of your own", rest, "title Breakout idea", LayoutLines.SetTitle::new);
            case "save" ->
                add(
                        "file",
                        rest.isEmpty()
                                ? "needs a file: chart.png or chart.svg for a picture, chart.csv for the data"
                                : "the chart as png or svg, its data as csv",
                        Places.path(rest).map(OutsideLines.SaveChart::new).orElse(null));
            case "export", "import" -> file(words, more);
            default -> {}
        }
    }

    /** Workspaces and drawings as files; bars and trades of files. */
    private void file(String[] words, String more) {
        boolean out = first.equals("export");
        boolean drawings = words[0].equals("drawings");
        if (drawings || words[0].equals("workspace")) {
            Optional<Path> file = Places.path(words.length < 2 ? "" : more);
            add(
                    "file",
                    file.isEmpty()
                            ? "needs a file, as in " + first + " " + words[0] + " mine.json"
                            : first + (drawings ? " the drawings of the instrument" : " the workspace")
                                    + " as one file",
                    file.map(each -> drawings
                                    ? new KeptLines.OfDrawings(out, each)
                                    : (LineCommand) new LayoutLines.OfWorkspace(out, each))
                            .orElse(null));
        } else if (out) {
            wrong("file", "write export workspace FILE or export drawings FILE; a chart is saved with save FILE");
        } else if (rest.isEmpty()) {
            add("file", "bars or trades of a file; asks which", new OutsideLines.ImportFile(Optional.empty()));
        } else {
            add(
                    "file",
                    "bars or trades of a file, with a look at them first",
                    Places.path(rest)
                            .map(each -> new OutsideLines.ImportFile(Optional.of(each)))
                            .orElse(null));
        }
    }

    /** What is done by a word; another for a word that is none. */
    private static <E extends Enum<E>> E verb(Class<E> of, String word, E otherwise) {
        for (E each : of.getEnumConstants()) {
            if (each.name().equalsIgnoreCase(word)) {
                return each;
            }
        }
        return otherwise;
    }

    private static KeptLines.Kept kept(String word) {
        return verb(KeptLines.Kept.class, word, KeptLines.Kept.APPLY);
    }

    /** A command that needs a name behind it. */
    private void named(String kind, String detail, String name, String example, Function<String, LineCommand> make) {
        add(kind, name.isEmpty() ? "needs a name, as in " + example : detail, name.isEmpty() ? null : make.apply(name));
    }

    /** Commands of which only the beginning has been typed; one that needs more says what, and is completed by Enter. */
    private void beginnings() {
        String start = text.toLowerCase(Locale.ROOT);
        if (start.length() < 2) {
            return;
        }
        for (String form : FORMS) {
            if (form.startsWith(start) && !form.equals(start)) {
                List<Proposal> read = read(form, form.split("\\s+"));
                if (!read.isEmpty()) {
                    Proposal meant = read.get(0);
                    String open = meant.command() == null ? form + " " : form;
                    proposals.add(new Proposal("command", open, meant.detail(), meant.command()));
                }
            }
        }
    }

    private static final List<String> FORMS = List.of(
            "range 20",
            "ticks 500",
            "reversal 20",
            "brick 20",
            "point-figure 1%x3 D",
            "line-break 3 D",
            "session day",
            "layout 2x2",
            "layout new 1",
            "step-down W D 1h",
            "preset save",
            "style save",
            "ratios save",
            "link 1",
            "go to",
            "percent",
            "index 100",
            "invert",
            "fit all",
            "list new",
            "list paste",
            "clock UTC",
            "roll volume",
            "join difference",
            "title",
            "save",
            "import",
            "export workspace",
            "import workspace",
            "export drawings",
            "import drawings",
            "tracing");
}
