package dev.yardarm.chart.render;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.model.ChartData;
import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.chart.model.Pane;
import dev.yardarm.chart.model.Selection;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Palette;
import dev.yardarm.chart.surface.Palette.Role;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.indicator.Indicator;
import dev.yardarm.core.indicator.Settings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * The legends of a chart's panes: the name of each layer and its values with theirs, in rows on plates of paper.
 *
 * <p>Laid out once for a frame, with room for the values of the bars in view, so that nothing moves while the crosshair
 * does: whoever follows the pointer asks each part for its text at that bar. A group that does not fit goes on in the
 * next row; when the pane has no room for another row, the rest is counted ({@code +2}) and told on hover. Cost: by the
 * texts, none by the bars.
 */
public final class Legend {
    /** Height of a row. */
    private static final double ROW = 15;
    /** Where the readout ends and the legend of the price pane begins. */
    private static final double BELOW_READOUT = 20;

    private static final double LEFT = 8;
    private static final double BETWEEN = 7;
    private static final double APART = 14;
    /** Room for the number of what has none. */
    private static final double REST = 26;

    /** Panes below these heights have a legend of two rows and of one. */
    private static final double LOW = 160;

    private static final double LOWEST = 90;
    /** What the values of other bars may be wider. */
    private static final double SLACK = 6;

    /** Says something of a bar, or of the place under the pointer that may lie beyond the last one. */
    private interface Words {
        String at(int bar, int under);

        /** The widest it may become at another bar; empty where the values of two bars tell. */
        default String widest() {
            return "";
        }
    }

    /** The value of an output, behind its name. */
    private record Value(ChartModel chart, IndicatorLayer layer, int output, String name) implements Words {
        @Override
        public String at(int bar, int under) {
            return name + Readout.value(chart, layer, output, bar);
        }

        /** Numbers that are no prices have the more decimals the smaller they are. */
        @Override
        public String widest() {
            return layer.indicator().place().withPrice() ? "" : name + "−0.0000";
        }
    }

    /** A text of a legend. */
    public static final class Part {
        private final Words words;
        private final int colour;
        private final double x;
        private final double y;

        private Part(Words words, int colour, double x, double y) {
            this.words = words;
            this.colour = colour;
            this.x = x;
            this.y = y;
        }

        /**
         * What it says.
         *
         * @param bar a bar of the chart
         * @param under where the pointer is, in bars; may lie beyond the last
         */
        public String at(int bar, int under) {
            return words.at(bar, under);
        }

        public int colour() {
            return colour;
        }

        public double x() {
            return x;
        }

        /** Its middle height. */
        public double y() {
            return y;
        }
    }

    /** Layers that had no room, and where their number stands. */
    public record Rest(List<String> texts, Box box) {}

    /** Parts that belong together. */
    private record Group(List<Words> words, List<Integer> colours) {
        Group() {
            this(new ArrayList<>(), new ArrayList<>());
        }

        void add(Words text, int colour) {
            words.add(text);
            colours.add(colour);
        }
    }

    private final List<Part> parts = new ArrayList<>();
    private final List<Box> plates = new ArrayList<>();
    private final List<Rest> rests = new ArrayList<>();
    private final Batch shapes = new Batch();

    /** Lays the legends of all panes out. */
    void build(ChartModel chart, Palette palette, Surface surface) {
        parts.clear();
        plates.clear();
        rests.clear();
        if (chart.isCompact()) {
            return;
        }
        int last = chart.bars().size() - 1;
        int first = Math.max(0, Math.min(last, chart.time().firstVisible()));
        String readout = Readout.bar(chart, last, letters(chart));
        String earlier = Readout.bar(chart, first, letters(chart));
        double wide = Math.max(surface.textWidth(readout, Type.SMALL), surface.textWidth(earlier, Type.SMALL));
        plates.add(new Box(4, 3, Math.min(chart.plotRight() - 2, LEFT + wide + SLACK), BELOW_READOUT));
        for (Pane pane : chart.panes()) {
            if (!pane.folded() || pane.kind() != Pane.Kind.PRICE) {
                pane(chart, pane, palette, surface, first, last);
            }
        }
    }

    /** How many letters of a readout there is room for. */
    public static int letters(ChartModel chart) {
        return (int) ((chart.plotRight() - LEFT - 4) / 5.6);
    }

    private void pane(ChartModel chart, Pane pane, Palette palette, Surface surface, int first, int last) {
        boolean price = pane.kind() == Pane.Kind.PRICE;
        double top = price ? pane.top() + BELOW_READOUT : pane.top() + 2;
        double height = pane.bottom() - pane.top();
        int most = chart.isSmall() || height < LOWEST ? 1 : height < LOW ? 2 : (int) (height * 0.3 / ROW);
        double right = chart.plotRight() - 4;
        double x = LEFT;
        int row = 0;
        List<Group> groups = groups(chart, pane, palette, last);
        for (int number = 0; number < groups.size(); number++) {
            Group group = groups.get(number);
            // The last row keeps room for the number of those that have none.
            double reserve = row == most - 1 && number < groups.size() - 1 ? REST + BETWEEN : 0;
            double whole = -BETWEEN;
            for (Words each : group.words()) {
                whole += width(each, first, last, surface) + BETWEEN;
            }
            if (x > LEFT && x + whole > right - reserve) {
                if (row + 1 >= most) {
                    rest(
                            groups.subList(number, groups.size()),
                            last,
                            Math.min(x, right - REST),
                            top + row * ROW,
                            surface);
                    x = Math.min(x, right - REST) + REST;
                    break;
                }
                plate(top + row * ROW, x - APART);
                row++;
                x = LEFT;
            }
            for (int part = 0; part < group.words().size(); part++) {
                Words words = group.words().get(part);
                double width = width(words, first, last, surface);
                if (part == 0 && x + width > right - reserve) {
                    words = cut(words, (right - reserve - x) / width);
                    width = right - reserve - x;
                }
                if (part > 0 && x + width > right - reserve) {
                    // A group too wide for a row of its own goes on below, or ends.
                    if (row + 1 >= most) {
                        break;
                    }
                    plate(top + row * ROW, x - BETWEEN);
                    row++;
                    x = LEFT;
                }
                parts.add(new Part(words, group.colours().get(part), x, top + row * ROW + ROW / 2));
                x += width + BETWEEN;
            }
            x += APART - BETWEEN;
        }
        if (x > LEFT) {
            plate(top + row * ROW, x - APART);
        }
    }

    /** The first part of a text too long for the pane. */
    private static Words cut(Words whole, double part) {
        return (bar, under) -> {
            String text = whole.at(bar, under);
            return text.substring(0, Math.max(1, (int) (text.length() * part) - 1)) + "…";
        };
    }

    private void plate(double top, double right) {
        plates.add(new Box(4, top, right + SLACK, top + ROW));
    }

    private void rest(List<Group> groups, int last, double x, double top, Surface surface) {
        List<String> texts = new ArrayList<>();
        for (Group group : groups) {
            StringBuilder text = new StringBuilder();
            group.words()
                    .forEach(words -> text.append(text.isEmpty() ? "" : "  ").append(words.at(last, last)));
            texts.add(text.toString());
        }
        double width = surface.textWidth("+" + Math.max(10, texts.size()), Type.SMALL) + 6;
        rests.add(new Rest(texts, new Box(x, top, x + width, top + ROW - 1)));
    }

    private static double width(Words words, int first, int last, Surface surface) {
        String text = words.at(last, last);
        String other = words.at(first, first);
        double width = surface.textWidth(text, Type.SMALL);
        String widest = words.widest();
        if (text.equals(other) && widest.isEmpty()) {
            // A name is the same everywhere.
            return width;
        }
        // A value of another bar may have a digit more.
        return Math.max(width, Math.max(surface.textWidth(other, Type.SMALL), surface.textWidth(widest, Type.SMALL)))
                + SLACK;
    }

    private static List<Group> groups(ChartModel chart, Pane pane, Palette palette, int last) {
        List<Group> groups = new ArrayList<>();
        if (pane.kind() == Pane.Kind.PRICE) {
            addPrice(chart, pane, palette, groups);
        }
        if (pane.kind() == Pane.Kind.VOLUME) {
            Group volume = new Group();
            volume.add((bar, under) -> "volume", palette.of(Role.SOFT));
            volume.add((bar, under) -> Readout.quantity(chart.bars().volume(bar)), palette.of(Role.SOFT));
            groups.add(volume);
        }
        for (IndicatorLayer layer : pane.indicators()) {
            if (layer.style().showsOn(chart.timeframe())) {
                groups.add(indicator(chart, layer, palette, last));
            }
        }
        return groups;
    }

    private static void addPrice(ChartModel chart, Pane pane, Palette palette, List<Group> groups) {
        if (!chart.madeFrom().isEmpty()) {
            Group made = new Group();
            made.add((bar, under) -> chart.request().rule().words() + ", " + chart.madeFrom(), palette.of(Role.SOFT));
            groups.add(made);
        }
        boolean changes = pane.indicators().stream()
                .anyMatch(each ->
                        each.scale() == LayerScale.PERCENT && each.style().showsOn(chart.timeframe()));
        if (changes) {
            // Beside the changes of others stands that of the chart's own instrument.
            Group own = new Group();
            own.add(
                    (bar, under) -> chart.instrument().orElseThrow().code() + "  "
                            + Readout.percent(chart.bars().close(bar) / chart.basePrice() - 1),
                    palette.of(Role.INK));
            groups.add(own);
        }
        Drawing chosen = chart.selection() instanceof Selection.Drawing of
                ? chart.drawing(of.id()).orElse(null)
                : null;
        if (chosen != null) {
            // What the selected drawing is worth at the pointer, in the future too.
            Group drawing = new Group();
            drawing.add(
                    (bar, under) -> {
                        double value =
                                chart.places().valueOf(chosen, chart.axis().openTime(Math.max(0, under)));
                        return Double.isNaN(value)
                                ? ""
                                : chosen.title().toLowerCase(Locale.ROOT) + "  " + AxisText.price(chart, value);
                    },
                    palette.series(chosen.colour()));
            groups.add(drawing);
        }
    }

    private static Group indicator(ChartModel chart, IndicatorLayer layer, Palette palette, int last) {
        String title = title(chart, layer);
        Group group = new Group();
        group.add((bar, under) -> title, palette.drawn(layer.leadColour()));
        IndicatorPart part = IndicatorParts.of(layer);
        if (part.saysOfBars(chart, layer)) {
            group.add((bar, under) -> part.at(chart, layer, bar), palette.drawn(layer.leadColour()));
        }
        String note = part.note(chart, layer);
        if (!note.isEmpty()) {
            group.add((bar, under) -> note, palette.of(Role.SOFT));
        }
        for (int output = 0; output < layer.indicator().outputs().size(); output++) {
            if (layer.draws(output) && !layer.indicator().outputs().get(output).cue()) {
                group.add(new Value(chart, layer, output, named(layer, output)), palette.drawn(layer.colourOf(output)));
            }
        }
        addTints(chart, layer, palette, group);
        addMarks(chart, layer, palette, group);
        if (!Readout.change(chart, layer, last).isEmpty()) {
            group.add((bar, under) -> Readout.change(chart, layer, bar), palette.of(Role.SOFT));
        }
        if (!Readout.covered(chart, layer, last).isEmpty()) {
            group.add((bar, under) -> Readout.covered(chart, layer, bar), palette.of(Role.SOFT));
        }
        return group;
    }

    /** The name of the tint that a bar has, in its colour. */
    private static void addTints(ChartModel chart, IndicatorLayer layer, Palette palette, Group group) {
        List<ChartData.Line> lines = chart.data().of(layer);
        List<Integer> tints = new ArrayList<>();
        for (int output = 0; output < lines.size(); output++) {
            if (layer.tints(output)) {
                tints.add(output);
            }
        }
        for (int tint : tints) {
            String label = layer.indicator().outputs().get(tint).label();
            group.add(
                    (bar, under) -> tintAt(lines, tints, bar) == tint ? label : "",
                    palette.drawn(layer.colourOf(tint)));
        }
    }

    /** The names of the marks that a bar has, in their colours. */
    private static void addMarks(ChartModel chart, IndicatorLayer layer, Palette palette, Group group) {
        List<ChartData.Line> lines = chart.data().of(layer);
        for (int output = 0; output < lines.size(); output++) {
            Indicator.Output declared = layer.indicator().outputs().get(output);
            if (declared.cue() && layer.draws(output) && !layer.tints(output)) {
                ChartData.Line line = lines.get(output);
                group.add(
                        (bar, under) -> line.column().at(bar) == 1 ? declared.label() : "",
                        palette.drawn(layer.colourOf(output)));
            }
        }
    }

    /** The first of the tints that holds at a bar; -1 when none does. */
    private static int tintAt(List<ChartData.Line> lines, List<Integer> tints, int bar) {
        for (int tint : tints) {
            if (lines.get(tint).column().at(bar) == 1) {
                return tint;
            }
        }
        return -1;
    }

    /** The name of a layer; a row of numbers follows it only where one is not as it usually is. */
    static String title(ChartModel chart, IndicatorLayer layer) {
        String title = chart.titleOf(layer);
        String numbers = layer.settings().numbers(layer.indicator().settings());
        boolean several = numbers.indexOf(',') >= 0;
        boolean usual = numbers.equals(
                Settings.standard(layer.indicator()).numbers(layer.indicator().settings()));
        return several && usual ? title.replace(" " + numbers, "") : title;
    }

    /** The name of an output in front of its value, where an indicator has several. */
    private static String named(IndicatorLayer layer, int output) {
        long drawn = IntStream.range(0, layer.indicator().outputs().size())
                .filter(each -> layer.draws(each)
                        && !layer.indicator().outputs().get(each).cue())
                .count();
        if (drawn < 2) {
            return "";
        }
        Indicator.Output declared = layer.indicator().outputs().get(output);
        // Who made it chose the words; those of the catalogue are sentences, its names are short.
        boolean own = layer.indicator().family() == Indicator.Family.OWN;
        return (own ? declared.label() : declared.name().replace('_', ' ')) + " ";
    }

    /** The texts, in the order of their layers. */
    public List<Part> parts() {
        return parts;
    }

    /** What lies behind the readout and the legends. */
    List<Box> plates() {
        return plates;
    }

    /** What had no room. */
    List<Rest> rests() {
        return rests;
    }

    /** Paints the plates and the numbers of what had no room. */
    void paintPlates(Palette palette, Surface surface) {
        shapes.clear();
        plates.forEach(plate -> shapes.rectangle(plate.left(), plate.top(), plate.width(), plate.height()));
        shapes.fill(surface, Palette.fade(palette.of(Role.PAPER), 0.88));
        for (Rest rest : rests) {
            shapes.clear();
            shapes.rectangle(
                    rest.box().left(),
                    rest.box().top(),
                    rest.box().width(),
                    rest.box().height());
            shapes.fill(surface, palette.of(Role.INK));
            surface.text(
                    "+" + rest.texts().size(),
                    (rest.box().left() + rest.box().right()) / 2,
                    (rest.box().top() + rest.box().bottom()) / 2,
                    Type.SMALL,
                    Align.CENTRE,
                    palette.of(Role.PAPER));
        }
    }

    /** Writes the texts of a bar: for pictures that have no pointer. */
    void paintWords(int bar, Surface surface) {
        for (Part part : parts) {
            surface.text(part.at(bar, bar), part.x(), part.y(), Type.SMALL, Align.LEFT, part.colour());
        }
    }
}
