package dev.yardarm.chart.label;

import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.surface.Batch;
import dev.yardarm.chart.surface.Surface;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Gives every text of a chart a place of its own.
 *
 * <p>Greedy: the texts in the order of their rank, and of their nearness to the last price among equals, each take the first
 * of their spots that is free. What finds none is shortened and tried again; what still finds none is counted, in a chip
 * ({@code +3}) at the right edge near where it would have stood. A chip that finds no place takes that of the last text
 * placed in its pane, which is counted with it. So no two texts overlap, however many there are.
 *
 * <p>The order is not the best one in general (placing most labels is NP-hard; Formann and Wagner 1991, <cite>A packing
 * problem with applications to lettering of maps</cite>), but it keeps what matters most where it belongs, and a text does
 * not jump when a less important one comes. Taken rectangles are kept by rows of 32 pixels, so a question costs by what
 * stands in its row: about n · spots · texts of a row, at most {@value #MOST} texts; what is more is counted at once.
 *
 * <p>One for each painter, used on the thread that paints: {@code begin}, then {@code reserve} and {@code add} in any order,
 * then {@code place}, {@code paint}.
 */
public final class Labels {
    private static final int MOST = 400;
    private static final double ROW = 32;
    /** Free pixels at either side of a text. */
    private static final double MARGIN = 3;
    /** How far from each other texts may be that share a chip. */
    private static final double TOGETHER = 48;

    /** A text in its place. */
    public record Placed(
            String owner, String text, Type type, int colour, int plate, Rank rank, Box box, boolean struck) {}

    /** How many texts had no place near here, and what they say. */
    public record Count(List<String> texts, Box box) {
        String word() {
            return "+" + texts.size();
        }
    }

    private final List<Label> wanted = new ArrayList<>();
    private final List<Placed> placed = new ArrayList<>();
    private final List<Label> left = new ArrayList<>();
    private final List<Count> counts = new ArrayList<>();
    private final List<List<Box>> rows = new ArrayList<>();
    private final Batch shapes = new Batch();

    /** Forgets everything, for a chart of a height. */
    public void begin(double height) {
        wanted.clear();
        placed.clear();
        left.clear();
        counts.clear();
        int needed = (int) Math.ceil(Math.max(0, height) / ROW) + 1;
        while (rows.size() < needed) {
            rows.add(new ArrayList<>());
        }
        rows.forEach(List::clear);
    }

    /** Keeps texts out of a rectangle. */
    public void reserve(Box box) {
        if (box.width() > 0 && box.height() > 0) {
            take(box);
        }
    }

    public void add(Label label) {
        wanted.add(label);
    }

    /** Finds a place for all that were added. */
    public void place(Surface surface) {
        wanted.sort(Comparator.comparing(Label::rank).thenComparingDouble(Label::nearness));
        for (Label label : wanted) {
            if (placed.size() >= MOST
                    || !stand(label, label.text(), surface)
                            && (label.shorter().equals(label.text()) || !stand(label, label.shorter(), surface))) {
                left.add(label);
            }
        }
        left.removeIf(label -> label.rank() == Rank.SPARE);
        count(surface);
    }

    private boolean stand(Label label, String text, Surface surface) {
        double width = surface.textWidth(text, label.type());
        double height = Label.height(label.type());
        for (Spot spot : label.spots()) {
            Box box = Box.around(spot.left(width) - MARGIN, spot.y(), width + 2 * MARGIN, height);
            if (label.area().holds(box) && isFree(box)) {
                take(box);
                placed.add(new Placed(
                        label.owner(),
                        text,
                        label.type(),
                        label.colour(),
                        label.plate(),
                        label.rank(),
                        box,
                        label.struck()));
                return true;
            }
        }
        return false;
    }

    private void count(Surface surface) {
        left.sort(Comparator.comparingDouble(Labels::height));
        int from = 0;
        while (from < left.size()) {
            int to = from + 1;
            double first = height(left.get(from));
            while (to < left.size()
                    && left.get(to).area().equals(left.get(from).area())
                    && height(left.get(to)) - first < TOGETHER) {
                to++;
            }
            List<String> texts = new ArrayList<>();
            left.subList(from, to).forEach(label -> texts.add(label.text()));
            chip(left.get(from).area(), (first + height(left.get(to - 1))) / 2, texts, surface);
            from = to;
        }
    }

    private static double height(Label label) {
        return label.spots().isEmpty()
                ? label.area().top()
                : label.spots().get(0).y();
    }

    /** The chip at the right edge, as near as can be to its height. */
    private void chip(Box area, double wantedY, List<String> texts, Surface surface) {
        double height = Label.height(Type.SMALL);
        double width = surface.textWidth("+" + Math.max(100, left.size()), Type.SMALL) + 2 * MARGIN;
        for (double away = 0; away < area.height(); away += 7) {
            for (double y : new double[] {wantedY - away, wantedY + away}) {
                for (int column = 0; column < 4; column++) {
                    Box box = Box.around(area.right() - 3 - width - column * (width + 4), y, width, height);
                    if (area.holds(box) && isFree(box)) {
                        take(box);
                        counts.add(new Count(texts, box));
                        return;
                    }
                }
            }
        }
        for (int last = placed.size() - 1; last >= 0; last--) {
            Placed gone = placed.get(last);
            if (area.holds(gone.box()) && gone.box().width() >= width) {
                placed.remove(last);
                texts.add(gone.text());
                Box freed = gone.box();
                counts.add(new Count(
                        texts, new Box(freed.right() - width, freed.top(), freed.right(), freed.top() + height)));
                return;
            }
        }
        // Less room than for a chip: they are counted with those of another height.
        for (int other = 0; other < counts.size(); other++) {
            Box box = counts.get(other).box();
            if (area.holds(box)) {
                texts.addAll(0, counts.get(other).texts());
                counts.set(other, new Count(texts, box));
                return;
            }
        }
    }

    private boolean isFree(Box box) {
        for (int row = row(box.top()); row <= row(box.bottom()); row++) {
            for (Box taken : rows.get(row)) {
                if (taken.meets(box)) {
                    return false;
                }
            }
        }
        return true;
    }

    private void take(Box box) {
        for (int row = row(box.top()); row <= row(box.bottom()); row++) {
            rows.get(row).add(box);
        }
    }

    private int row(double y) {
        return (int) Math.max(0, Math.min(rows.size() - 1, Math.floor(y / ROW)));
    }

    /** Writes what has a place, and the chips in a colour on a plate. */
    public void paint(Surface surface, int ink, int paper) {
        for (Placed each : placed) {
            plate(surface, each.box(), each.plate());
            double x = each.box().left() + MARGIN;
            double y = (each.box().top() + each.box().bottom()) / 2;
            surface.text(each.text(), x, y, each.type(), Align.LEFT, each.colour());
            if (each.struck()) {
                shapes.clear();
                shapes.rectangle(each.box().left(), surface.snap(y), each.box().width(), surface.hairline());
                shapes.fill(surface, each.colour());
            }
        }
        for (Count each : counts) {
            plate(surface, each.box(), ink);
            surface.text(
                    each.word(),
                    (each.box().left() + each.box().right()) / 2,
                    (each.box().top() + each.box().bottom()) / 2,
                    Type.SMALL,
                    Align.CENTRE,
                    paper);
        }
    }

    private void plate(Surface surface, Box box, int colour) {
        if (colour >>> 24 != 0) {
            shapes.clear();
            shapes.rectangle(box.left(), box.top(), box.width(), box.height());
            shapes.fill(surface, colour);
        }
    }

    /** What has a place, the most important first. */
    public List<Placed> placed() {
        return List.copyOf(placed);
    }

    /** The chips. */
    public List<Count> counts() {
        return List.copyOf(counts);
    }
}
