package dev.yardarm.desk.line;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.formula.Formula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.action.Action;
import dev.yardarm.desk.book.Habits;
import dev.yardarm.desk.market.Directory;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a typed line can mean: an instrument with or without a timeframe, a timeframe, an indicator with its settings, a
 * drawing, a plan, a stance or note, a condition to scan for, or a plain command. The first proposal is the one Enter
 * takes. A line that begins with {@code #} is an instrument and nothing else.
 */
public final class CommandLanguage {
    private static final int MOST_INSTRUMENTS = 8;
    private static final Pattern TEXT_SIZE = Pattern.compile("(?i)text(?: size)? (\\d{1,3}) ?%?");
    /** Words of the longest name of an indicator. */
    private static final int MOST_NAME = 3;

    private final Directory directory;
    private final Supplier<Language> language;
    private final ScanWords scans;
    private final AlertLines alerts;
    private final Supplier<? extends Collection<Action>> actions;

    /**
     * @param directory whose instruments can be named
     * @param language what formulas and indicators are written in, as it stands
     * @param actions what has words of its own
     */
    public CommandLanguage(
            Directory directory, Supplier<Language> language, Supplier<? extends Collection<Action>> actions) {
        this(directory, language, actions, List::of, List::of);
    }

    /**
     * @param scans what the trader has saved to be scanned for
     * @param lists names of the lists there are
     */
    public CommandLanguage(
            Directory directory,
            Supplier<Language> language,
            Supplier<? extends Collection<Action>> actions,
            Supplier<List<Scan>> scans,
            Supplier<List<String>> lists) {
        this.scans = new ScanWords(scans);
        this.alerts = new AlertLines(directory, language, lists);
        this.language = language;
        this.actions = actions;
        this.directory = directory;
    }

    /**
     * All readings of a line, the likeliest first.
     *
     * @throws IllegalArgumentException when the beginning is clear but the rest is wrong, with what would be right
     */
    public List<Proposal> read(String line) {
        List<Proposal> proposals = new ArrayList<>(readings(line));
        for (String ours : TradeWords.lines(line.strip())) {
            // Behind what the word means by itself, instruments excepted that only contain it.
            List<Proposal> meant = readings(ours).stream()
                    .filter(proposal -> !proposal.kind().equals("instrument"))
                    .filter(proposal -> proposal.text().split(" ")[0].equalsIgnoreCase(ours.split(" ")[0]))
                    .toList();
            int at = 0;
            while (at < proposals.size() && isExact(proposals.get(at), line.strip())) {
                at++;
            }
            proposals.addAll(at, meant);
        }
        return distinct(proposals);
    }

    /** Whether a proposal begins with the very word that was typed. */
    private static boolean isExact(Proposal proposal, String text) {
        return proposal.text().split(" ")[0].equalsIgnoreCase(text.split("\\s+")[0]);
    }

    private List<Proposal> readings(String line) {
        String text = line.strip();
        if (text.isEmpty()) {
            return List.of();
        }
        List<Proposal> proposals = new ArrayList<>();
        if (text.startsWith("#")) {
            instruments(text.substring(1).strip(), proposals);
            return proposals;
        }
        if (text.toLowerCase(Locale.ROOT).startsWith("timeframe ")) {
            text = text.substring("timeframe ".length()).strip();
        }
        String[] words = text.split("\\s+");
        exactInstrument(words, proposals);
        Timeframe.parse(text)
                .ifPresent(timeframe -> proposals.add(new Proposal(
                        "timeframe",
                        timeframe.toString(),
                        timeframe.adjective() + " bars",
                        new LineCommand.SetTimeframe(timeframe))));
        indicator(words, proposals);
        proposals.addAll(new CompareWords(directory).read(text, words));
        drawing(words, proposals);
        stance(text, words, proposals);
        proposals.addAll(ChartWords.read(text, words));
        forms(text, proposals);
        textSize(text, proposals);
        plain(text, proposals);
        instruments(text, proposals);
        completions(text, proposals);
        condition(text, proposals);
        BlendLines.read(text, directory, proposals);
        return distinct(proposals);
    }

    /** Why a line means nothing, in words for the user. */
    public String complaint(String line) {
        String text = line.strip();
        if (text.matches(".*[<>=(].*")) {
            try {
                Formula formula = Formula.parse(text, language.get());
                return formula.isCondition()
                        ? ""
                        : "'" + text + "' is a value; compare it with something to scan for " + "it, such as " + text
                                + " > 0";
            } catch (FormulaException bad) {
                return "Formula, " + bad.getMessage();
            }
        }
        return "Nothing is called '" + text + "'. Type the code of an instrument or a word of its name, a timeframe "
                + "such as W or 15m, an indicator such as sma 50, or help.";
    }

    private static List<Proposal> distinct(List<Proposal> proposals) {
        Map<String, Proposal> byMeaning = new LinkedHashMap<>();
        for (Proposal proposal : proposals) {
            boolean isInstrument = proposal.command() instanceof LineCommand.Open;
            byMeaning.putIfAbsent(
                    proposal.kind() + " " + proposal.text() + (isInstrument ? proposal.detail() : ""), proposal);
        }
        return List.copyOf(byMeaning.values());
    }

    private void exactInstrument(String[] words, List<Proposal> proposals) {
        Timeframe timeframe = words.length == 2 ? Timeframe.parse(words[1]).orElse(null) : null;
        if (words.length == 1 || timeframe != null) {
            directory.byCode(words[0]).ifPresent(found -> proposals.add(instrument(found, timeframe)));
        }
    }

    private void instruments(String text, List<Proposal> proposals) {
        String[] words = text.split("\\s+");
        Timeframe timeframe =
                words.length > 1 ? Timeframe.parse(words[words.length - 1]).orElse(null) : null;
        String name = timeframe == null ? text : text.substring(0, text.lastIndexOf(words[words.length - 1]));
        for (Instrument found : directory.search(name, MOST_INSTRUMENTS)) {
            proposals.add(instrument(found, timeframe));
        }
    }

    private Proposal instrument(Instrument instrument, Timeframe timeframe) {
        boolean several = directory.sourcesOf(instrument.code()).size() > 1;
        return new Proposal(
                "instrument",
                instrument.code() + (timeframe == null ? "" : " " + timeframe),
                instrument.name() + (several ? ", from " + instrument.id().source() : ""),
                new LineCommand.Open(instrument, timeframe));
    }

    /** How many of the first words make a name, as people write {@code big trades 40}; 0 when only one may. */
    private int lengthOfName(String[] words) {
        for (int length = Math.min(MOST_NAME, words.length); length > 1; length--) {
            String name = String.join(" ", Arrays.asList(words).subList(0, length));
            if (language.get().catalogue().called(name).isPresent()) {
                return length;
            }
        }
        return 0;
    }

    private void indicator(String[] words, List<Proposal> proposals) {
        // Names have underscores, since a hyphen is a minus in a formula; on a line both are typed.
        int length = Math.max(1, lengthOfName(words));
        List<String> rest = new ArrayList<>(Arrays.asList(words).subList(length, words.length));
        String name = String.join("_", Arrays.asList(words).subList(0, length));
        String said = String.join(" ", Arrays.asList(words).subList(0, length));
        Indicator indicator = language.get()
                .indicator(name.toLowerCase(Locale.ROOT), null, rest)
                .or(() -> language.get().catalogue().find(name.replace('-', '_')))
                .or(() -> length > 1 ? language.get().catalogue().called(said) : Optional.empty())
                .orElse(null);
        if (indicator == null || indicator.isOfBars()) {
            return;
        }
        String kind = kind(indicator);
        try {
            IndicatorLayer.Higher higher = higher(rest);
            String where = higher == null ? "" : " on " + (higher.forming() ? "forming " : "") + higher.timeframe();
            if (rest.isEmpty()) {
                proposals.add(new Proposal(
                        kind,
                        indicator.name() + where,
                        indicator.title() + ", with its default settings",
                        new LineCommand.AddIndicator(indicator, null, higher)));
                return;
            }
            Map<String, String> values = IndicatorWords.read(indicator, rest);
            Settings settings = Settings.of(indicator, values);
            String shown = indicator.name() + " " + settings.numbers(indicator.settings())
                    + (values.containsKey("source") ? " " + values.get("source") : "") + where;
            proposals.add(new Proposal(
                    kind, shown, indicator.title(), new LineCommand.AddIndicator(indicator, settings, higher)));
        } catch (IllegalArgumentException bad) {
            proposals.add(new Proposal(kind, String.join(" ", words), bad.getMessage(), null));
        }
    }

    private static String kind(Indicator indicator) {
        return indicator.family() == Indicator.Family.STRUCTURE ? "detector" : "indicator";
    }

    /** The timeframe that the last words name, as in {@code on W} and {@code on forming W}, which are taken away. */
    private static IndicatorLayer.Higher higher(List<String> words) {
        int on = words.size() - 2;
        boolean forming = on >= 1 && words.get(on).equalsIgnoreCase("forming");
        on -= forming ? 1 : 0;
        if (on < 0 || !words.get(on).equalsIgnoreCase("on")) {
            return null;
        }
        String written = words.get(words.size() - 1);
        Timeframe timeframe = Timeframe.parse(written)
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + written + "' is no timeframe; write one such as on W, or on 4h"));
        words.subList(on, words.size()).clear();
        return new IndicatorLayer.Higher(timeframe, forming);
    }

    private static OptionalDouble number(String word) {
        try {
            return OptionalDouble.of(Prices.parse(word));
        } catch (NumberFormatException notANumber) {
            return OptionalDouble.empty();
        }
    }

    private static void drawing(String[] words, List<Proposal> proposals) {
        String first = words[0].toLowerCase(Locale.ROOT);
        proposals.addAll(DrawWords.read(String.join(" ", words), words));
        if (first.equals("plan")) {
            plan(words, proposals);
        }
        if (words.length == 2) {
            planPart(first, words[1], proposals);
        }
    }

    /** One part of the plan in hand, or what new plans start from. */
    private static void planPart(String first, String value, List<Proposal> proposals) {
        OptionalDouble number = number(value.replaceFirst("%$", "").replaceFirst("(?i)k$", "000"));
        if (number.isEmpty()
                || !List.of("account", "risk", "stop", "target", "entry").contains(first)) {
            return;
        }
        String meaning =
                switch (first) {
                    case "account" -> "the account that plans are sized by";
                    case "risk" -> "per cent of the account at risk in a plan";
                    default -> "the " + first + " of the plan on the chart in hand";
                };
        proposals.add(new Proposal(
                "plan", first + " " + value, meaning, new LineCommand.ChangePlan(first, number.getAsDouble())));
    }

    private static void plan(String[] words, List<Proposal> proposals) {
        if (words.length == 1) {
            proposals.add(new Proposal(
                    "plan",
                    "plan",
                    "draw entry and stop; or type entry stop target",
                    new LineCommand.TakeTool(Tool.PLAN)));
            return;
        }
        double[] prices = {Double.NaN, Double.NaN, Double.NaN};
        int side = 0;
        boolean understood = true;
        int named = -1;
        for (String word : Arrays.copyOfRange(words, 1, words.length)) {
            OptionalDouble price = number(word);
            if (price.isPresent()) {
                int place = named >= 0 ? named : firstFree(prices);
                understood &= place < prices.length && Double.isNaN(prices[place]);
                if (understood) {
                    prices[place] = price.getAsDouble();
                }
                named = -1;
                continue;
            }
            switch (word.toLowerCase(Locale.ROOT)) {
                case "entry", "at" -> named = 0;
                case "stop" -> named = 1;
                case "target", "to" -> named = 2;
                case "long", "buy" -> side = 1;
                case "short", "sell" -> side = -1;
                default -> understood = false;
            }
        }
        boolean whole = understood && firstFree(prices) == prices.length;
        boolean otherSide = whole && side * (prices[0] - prices[1]) < 0;
        String meaning = !whole
                ? "a plan needs entry, stop and target, such as plan 104.20 102.80 107 or plan short 104.20 stop 106"
                        + " target 99"
                : otherSide
                        ? "the stop of a " + (side > 0 ? "long lies below" : "short lies above") + " its entry"
                        : "entry, stop and target";
        proposals.add(new Proposal(
                "plan",
                String.join(" ", words),
                meaning,
                whole && !otherSide ? new LineCommand.MakePlan(prices[0], prices[1], prices[2]) : null));
    }

    private static int firstFree(double[] prices) {
        int place = 0;
        while (place < prices.length && !Double.isNaN(prices[place])) {
            place++;
        }
        return place;
    }

    private static void stance(String text, String[] words, List<Proposal> proposals) {
        String first = words[0].toLowerCase(Locale.ROOT);
        String rest = text.substring(words[0].length()).strip();
        if (first.equals("note")) {
            proposals.add(new Proposal(
                    "note",
                    text,
                    rest.isEmpty() ? "removes the note" : "a note on the instrument",
                    new LineCommand.WriteNote(rest)));
            return;
        }
        for (Stance.Kind kind : Stance.Kind.values()) {
            boolean takesReason = kind == Stance.Kind.SKIP;
            if (kind != Stance.Kind.NONE && first.equals(kind.word()) && (rest.isEmpty() || takesReason)) {
                proposals.add(new Proposal(
                        "stance",
                        text,
                        takesReason
                                ? rest.isEmpty() ? "skip; a reason may follow" : "skip, with its reason"
                                : "your stance on the instrument",
                        new LineCommand.TakeStance(kind, rest)));
            }
        }
    }

    private static void forms(String text, List<Proposal> proposals) {
        String start = text.toLowerCase(Locale.ROOT);
        for (BarForm form : BarForm.values()) {
            String word = form.word();
            boolean begun = text.length() > 1
                    && (word.startsWith(start)
                            || form.title().startsWith(start)
                            || form.former().contains(start) && form != BarForm.LINE);
            if (begun) {
                proposals.add(new Proposal("bars", word, form.title(), new LineCommand.SetForm(form)));
            }
        }
    }

    private static void textSize(String text, List<Proposal> proposals) {
        Matcher size = TEXT_SIZE.matcher(text);
        if (size.matches()) {
            int percent = Integer.parseInt(size.group(1));
            boolean fits = percent >= Habits.SMALLEST_TEXT && percent <= Habits.LARGEST_TEXT;
            proposals.add(
                    0,
                    new Proposal(
                            "command",
                            "text " + percent,
                            fits
                                    ? "the text of the interface at " + percent + " % of its usual size"
                                    : "text can be shown at " + Habits.SMALLEST_TEXT + " to " + Habits.LARGEST_TEXT
                                            + " % of its usual size",
                            fits ? new OutsideLines.TextSize(percent) : null));
        }
    }

    private void plain(String text, List<Proposal> proposals) {
        // An instrument of that very code stays in front of a command of the same word.
        int first = directory.byCode(text).isPresent() ? 1 : 0;
        String start = text.toLowerCase(Locale.ROOT);
        for (Action action : actions.get()) {
            if (action.word().isEmpty()) {
                continue;
            }
            boolean exact = action.word().equals(start) || action.synonyms().contains(start);
            boolean begun = text.length() > 1
                    && (action.word().startsWith(start)
                            || action.synonyms().stream().anyMatch(each -> each.startsWith(start)));
            if (exact || begun) {
                Proposal proposal =
                        new Proposal("command", action.word(), action.meaning(), new LineCommand.Plain(action));
                proposals.add(exact ? first : proposals.size(), proposal);
            }
        }
    }

    /** Indicators and drawings of which only the beginning has been typed. */
    private void completions(String text, List<Proposal> proposals) {
        String start = text.toLowerCase(Locale.ROOT).replace('-', '_');
        for (Indicator indicator : language.get().catalogue().all()) {
            if (indicator.isOfBars()) {
                continue;
            }
            boolean begun =
                    indicator.name().startsWith(start) && !indicator.name().equals(start);
            boolean byTitle = start.length() > 2
                    && (indicator.title().toLowerCase(Locale.ROOT).contains(start)
                            || indicator.synonyms().stream().anyMatch(word -> word.startsWith(start)));
            if (begun || byTitle) {
                Settings settings = Settings.standard(indicator);
                boolean finds = indicator.family() == Indicator.Family.STRUCTURE;
                proposals.add(new Proposal(
                        kind(indicator),
                        finds ? indicator.name() : indicator.name() + " " + settings.numbers(indicator.settings()),
                        indicator.title(),
                        new LineCommand.AddIndicator(indicator, settings)));
            }
        }
        for (Figure figure : Figures.shared().all()) {
            boolean begun = figure.name().startsWith(start) && !figure.name().equals(start);
            boolean byTitle = start.length() > 2
                    && (figure.title().toLowerCase(Locale.ROOT).contains(start)
                            || figure.synonyms().stream().anyMatch(word -> word.startsWith(start)));
            if ((begun || byTitle) && !figure.name().equals(start)) {
                proposals.add(new Proposal(
                        "drawing", figure.name(), figure.title(), new LineCommand.TakeTool(Tool.of(figure.name()))));
            }
        }
        if ("plan".startsWith(start) && !start.equals("plan")) {
            proposals.add(new Proposal("drawing", "plan", "draw entry and stop", new LineCommand.TakeTool(Tool.PLAN)));
        }
    }

    private void condition(String text, List<Proposal> proposals) {
        List<Proposal> waits = new ArrayList<>(alerts.read(text));
        waits.addAll(CallLines.read(text, directory));
        waits.addAll(BoardLines.read(text, language.get()));
        waits.addAll(ScenarioLines.read(text, directory));
        waits.addAll(FeedLines.read(text));
        if (!waits.isEmpty()) {
            proposals.addAll(0, waits);
            return;
        }
        if (text.matches("(?i)evidence\\s+.+")) {
            String asked = text.replaceFirst("(?i)evidence\\s+((for|of|after)\\s+)?", "");
            condition(
                    "evidence",
                    "evidence " + asked,
                    asked,
                    "what came after earlier times it held",
                    new LineCommand.EvidenceOf(asked),
                    proposals);
            return;
        }
        boolean said = text.matches("(?i)scan\\s+.+");
        if (said || text.matches("(?i).*([<>=]|crosses).*")) {
            String wanted = said ? text.replaceFirst("(?i)scan\\s+(for\\s+)?", "") : text;
            List<Proposal> named = said ? scans.read(wanted) : List.of();
            if (!named.isEmpty()) {
                proposals.addAll(0, named);
                return;
            }
            condition("scan", text, wanted, "find where this holds", new LineCommand.ScanFor(wanted), proposals);
        }
    }

    /** Offers what is done with a condition, first of all; what is wrong with one that is no good is told. */
    private void condition(
            String kind, String text, String condition, String meaning, LineCommand command, List<Proposal> proposals) {
        try {
            Formula.parseCondition(condition, language.get());
            proposals.add(0, new Proposal(kind, text, meaning, command));
        } catch (FormulaException bad) {
            // Where a word says that it is a condition, nothing else was meant.
            proposals.add(
                    text.equals(condition) ? proposals.size() : 0, new Proposal(kind, text, bad.getMessage(), null));
        }
    }
}
