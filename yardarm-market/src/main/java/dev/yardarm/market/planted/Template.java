package dev.yardarm.market.planted;

import dev.yardarm.market.chance.Dice;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The course of a structure as an artist would draw it: turns in heights of the structure, each with the part it plays, and the bars
 * between them. Rising and falling forms are one template turned over.
 */
public final class Template {
    /** The turn is part of the structure, and what it is called. */
    public record Knot(String role, double height, double scatter) {}

    /** A height on the line of its part, wherever in time it comes. */
    private static final double LINE = Double.NaN;

    private static final Map<String, Template> ALL = new TreeMap<>();

    static {
        put("double_top", "double_bottom", null, turns("", -1.5, "first", 1, "between", 0, "second", 1, "", -0.5));
        put(
                "triple_top",
                "triple_bottom",
                null,
                turns("", -1.5, "first", 1, "between", 0, "second", 1, "between", 0, "third", 1, "", -0.5));
        put(
                "head_shoulders",
                "inverse_head_shoulders",
                null,
                turns(
                        "",
                        -1.1,
                        "left_shoulder",
                        0.55,
                        "neckline",
                        0,
                        "head",
                        1,
                        "neckline",
                        0,
                        "right_shoulder",
                        0.55,
                        "",
                        -0.5));
        put(
                "distribution",
                "accumulation",
                null,
                turns("", -1.5, "climax", 1, "reaction", 0.1, "test", 0.99, "border", 0, "false_break", 1.2, "", -0.6));
        put(
                "ascending_triangle",
                "descending_triangle",
                lines(0, 0, -1, -0.25),
                turns(
                        "", -1.5, "upper", LINE, "lower", LINE, "upper", LINE, "lower", LINE, "upper", LINE, "lower",
                        LINE, "", 0.7));
        put(
                "symmetrical_triangle",
                "symmetrical_triangle_down",
                lines(1, 0.4, -1, -0.4),
                turns(
                        "", -1.2, "upper", LINE, "lower", LINE, "upper", LINE, "lower", LINE, "upper", LINE, "lower",
                        LINE, "", 1.1));
        put(
                "rising_wedge",
                "falling_wedge",
                lines(0.3, 1.2, -0.4, 0.9),
                turns(
                        "", -1, "upper", LINE, "lower", LINE, "upper", LINE, "lower", LINE, "upper", LINE, "lower",
                        LINE, "upper", LINE, "", 0.1));
        put(
                "rectangle",
                "rectangle_down",
                null,
                turns("", -1, "upper", 1, "lower", 0, "upper", 1, "lower", 0, "upper", 1, "lower", 0, "", 1.6));
        put(
                "bull_flag",
                "bear_flag",
                lines(1, 0.84, 0.78, 0.62),
                turns("pole", 0, "pole", 1, "lower", LINE, "upper", LINE, "lower", LINE, "", 1.6));
        put(
                "pennant",
                "pennant_down",
                lines(1, 0.88, 0.64, 0.72),
                turns("pole", 0, "pole", 1, "lower", LINE, "upper", LINE, "lower", LINE, "", 1.6));
    }

    static {
        // Five waves: the second gives back 0.6 of the first, the third is 1.8 of it, the fourth gives back a third.
        put(
                "impulse",
                "impulse_down",
                null,
                turns("start", 0, "1", 1, "2", 0.4, "3", 2.2, "4", 1.6, "5", 2.6, "", 1.5));
    }

    private static double[] lines(double upperFirst, double upperLast, double lowerFirst, double lowerLast) {
        return new double[] {upperFirst, upperLast, lowerFirst, lowerLast};
    }

    private final String kind;
    private final int sign;
    private final List<Knot> knots;
    /** Heights of the upper line at its first and last turn, then of the lower one; null where heights are given. */
    private final double[] lines;

    private Template(String kind, int sign, double[] lines, List<Knot> knots) {
        this.kind = kind;
        this.sign = sign;
        this.lines = lines;
        this.knots = knots;
    }

    private static void put(String name, String turnedOver, double[] lines, List<Knot> knots) {
        ALL.put(name, new Template(name, 1, lines, knots));
        ALL.put(turnedOver, new Template(turnedOver.replaceFirst("_down$", ""), -1, lines, knots));
    }

    /**
     * The heights of the turns.
     *
     * @param legs bars up to each turn from the one before
     */
    double[] heights(int[] legs) {
        double[] heights = new double[knots.size()];
        int first = 1;
        double whole = 0;
        for (int knot = first + 1; knot < knots.size() - 1; knot++) {
            whole += legs[knot];
        }
        double gone = 0;
        for (int knot = 0; knot < heights.length; knot++) {
            gone += knot > first && knot < knots.size() - 1 ? legs[knot] : 0;
            Knot each = knots.get(knot);
            int line = each.role().equals("upper") ? 0 : 2;
            heights[knot] = Double.isNaN(each.height())
                    ? lines[line] + (lines[line + 1] - lines[line]) * gone / whole
                    : each.height();
        }
        return heights;
    }

    private static List<Knot> turns(Object... parts) {
        List<Knot> knots = new ArrayList<>();
        for (int at = 0; at < parts.length; at += 2) {
            String role = (String) parts[at];
            knots.add(new Knot(role, ((Number) parts[at + 1]).doubleValue(), role.isEmpty() ? 0.15 : 0.03));
        }
        return knots;
    }

    /** All of a kind: two where a form is completed either way. */
    public static List<Template> of(String kind) {
        List<Template> found =
                ALL.values().stream().filter(each -> each.kind.equals(kind)).toList();
        if (found.isEmpty()) {
            throw new IllegalArgumentException(
                    "nothing is called '" + kind + "' to be planted; there are " + String.join(", ", kinds()));
        }
        return found;
    }

    /** What can be planted. */
    public static List<String> kinds() {
        return ALL.values().stream().map(each -> each.kind).distinct().sorted().toList();
    }

    public String kind() {
        return kind;
    }

    int sign() {
        return sign;
    }

    public List<Knot> knots() {
        return knots;
    }

    /** The part of the turns on the line it leaves by. */
    String edge() {
        return switch (knots.get(knots.size() - 2).role()) {
            case "second", "third" -> "between";
            case "right_shoulder" -> "neckline";
            case "false_break" -> "border";
            // It is over when price is back at the end of the third.
            case "5" -> "3";
            // It leaves against its last leg.
            case "upper" -> "lower";
            default -> "upper";
        };
    }

    /** True when it leaves upwards. */
    boolean leavesUp() {
        return (sign > 0) == edge().equals("upper");
    }

    /** True for one that begins with a steep move, which takes few bars. */
    public boolean hasPole() {
        return knots.get(0).role().equals("pole");
    }

    /** How many bars each leg takes: a pole few, a leg of the structure 8 to 18. */
    public int[] legs(Dice dice) {
        int[] legs = new int[knots.size()];
        for (int leg = 0; leg < legs.length; leg++) {
            boolean pole = hasPole() && leg == 1;
            boolean rest = hasPole() && leg > 1;
            legs[leg] = pole ? 5 + dice.below(4) : rest ? 4 + dice.below(4) : 8 + dice.below(11);
        }
        legs[0] = hasPole() ? 1 : legs[0];
        return legs;
    }

    /** How high it is, in usual ranges. */
    public double height(Dice dice) {
        return hasPole() ? dice.between(8, 12) : dice.between(5, 9);
    }
}
