package dev.yardarm.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * What came after the occurrences of a condition in many instruments, against what came at all times.
 *
 * <pre>{@code
 * List<Study> studies = ...;                       // one for each instrument
 * Evidence evidence = Evidence.of(studies, question);
 * evidence.figures().get(1).difference();          // mean after five bars, less that of all times
 * evidence.figures().get(1).low();                 // nine in ten sure that it is more than this
 * }</pre>
 *
 * <p>Sums are taken in the order of the studies, so the same studies give the same figures to the last digit. Cost: occurrences and days
 * times horizons, and a thousand draws of the days for each horizon.
 */
public final class Evidence {
    /** Fewer occurrences than these that count are called few. */
    public static final int FEW = 30;

    /** A condition that holds at more bars than this share has nothing to be compared with. */
    private static final double ALWAYS = 0.95;

    private static final double[] QUANTILES = {0.1, 0.25, 0.5, 0.75, 0.9};

    private final List<Study> studies;
    private final Question question;
    private final List<Figures> figures = new ArrayList<>();
    private final int looked;
    private final int found;

    Evidence(List<Study> studies, Question question, ByDay days) {
        this.studies = List.copyOf(studies);
        this.question = question;
        this.looked = studies.stream().mapToInt(Study::looked).sum();
        this.found =
                studies.stream().mapToInt(each -> each.occurrences().size()).sum();
        for (int at = 0; at < question.horizons().length; at++) {
            figures.add(figures(at, days.of(at), days.gains(at)));
        }
    }

    /** Puts studies together. */
    public static Evidence of(List<Study> studies, Question question) {
        Gathering gathering = new Gathering(question);
        studies.forEach(gathering::add);
        return gathering.end();
    }

    /** What was asked. */
    public Question question() {
        return question;
    }

    /** One for each instrument. */
    public List<Study> studies() {
        return studies;
    }

    /** The figures of each horizon. */
    public List<Figures> figures() {
        return List.copyOf(figures);
    }

    /** How many bars of all instruments were looked at. */
    public int looked() {
        return looked;
    }

    /** How many occurrences there are, whether they count or not. */
    public int found() {
        return found;
    }

    /** False when the condition holds nearly always: then there are no other times to compare with. */
    public boolean hasContrast() {
        return found <= ALWAYS * looked;
    }

    private Figures figures(int at, double[][] days, double gained) {
        double sum = 0;
        double base = 0;
        double bases = 0;
        int onDays = 0;
        for (double[] day : days) {
            sum += day[0];
            base += day[2];
            bases += day[3];
            onDays += day[1] > 0 ? 1 : 0;
        }
        double[] came = came(at);
        double mean = sum / came.length;
        int horizon = question.horizons()[at];
        double barsADay = bases / Math.max(1, days.length) / Math.max(1, studies.size());
        int lasting = (int) Math.ceil(horizon / Math.max(1, barsADay));
        Blocks.Interval interval = Blocks.difference(days, lasting, question.seed() * 31 + horizon);
        return new Figures(
                horizon,
                came.length,
                onDays,
                mean,
                quantile(came, 0.5),
                share(came),
                base / bases,
                gained / bases,
                mean - base / bases,
                interval.low(),
                interval.high(),
                interval.notAbove());
    }

    /** What came after the occurrences that count for a horizon, in ascending order. */
    public double[] came(int horizonAt) {
        double[] came = new double
                [studies.stream()
                        .mapToInt(study -> study.came(horizonAt).length)
                        .sum()];
        int count = 0;
        for (Study study : studies) {
            double[] more = study.came(horizonAt);
            System.arraycopy(more, 0, came, count, more.length);
            count += more.length;
        }
        Arrays.sort(came);
        return came;
    }

    private static double share(double[] sorted) {
        int gains = 0;
        for (double each : sorted) {
            gains += each > 0 ? 1 : 0;
        }
        return (double) gains / sorted.length;
    }

    /** A quantile of sorted values, between the two nearest; NaN of none. */
    static double quantile(double[] sorted, double part) {
        if (sorted.length == 0) {
            return Double.NaN;
        }
        double place = part * (sorted.length - 1);
        int below = (int) Math.floor(place);
        int above = Math.min(sorted.length - 1, below + 1);
        return sorted[below] + (place - below) * (sorted[above] - sorted[below]);
    }

    /** How many of all bars had a return of each of the {@linkplain ReturnClasses classes}. */
    public long[] baseClasses(int horizonAt) {
        long[] classes = new long[ReturnClasses.COUNT];
        for (Study study : studies) {
            int[] own = study.classes(horizonAt);
            for (int each = 0; each < classes.length; each++) {
                classes[each] += own[each];
            }
        }
        return classes;
    }

    /** For each bar after the entry the 10, 25, 50, 75 and 90 % quantiles of the paths that have it. */
    public double[][] fan() {
        double[][] fan = new double[question.longest()][QUANTILES.length];
        for (int step = 0; step < fan.length; step++) {
            List<Double> values = new ArrayList<>();
            for (Study study : studies) {
                for (Occurrence each : study.occurrences()) {
                    if (!Float.isNaN(each.path()[step])) {
                        values.add((double) each.path()[step]);
                    }
                }
            }
            double[] sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
            Arrays.sort(sorted);
            for (int at = 0; at < QUANTILES.length; at++) {
                fan[step][at] = quantile(sorted, QUANTILES[at]);
            }
        }
        return fan;
    }

    /** The occurrences in parts, in the order of their names. */
    public List<Part> by(Function<Occurrence, String> name) {
        return parts((study, each) -> name.apply(each));
    }

    /** The occurrences by the group of their instrument. */
    public List<Part> byGroup() {
        return parts((study, each) -> study.group().isEmpty() ? "none" : study.group());
    }

    private interface Namer {
        String name(Study study, Occurrence occurrence);
    }

    private List<Part> parts(Namer namer) {
        int horizons = question.horizons().length;
        TreeMap<String, double[][]> sums = new TreeMap<>();
        for (Study study : studies) {
            for (int at = 0; at < horizons; at++) {
                boolean[] counted = study.counted(at);
                for (int each = 0; each < counted.length; each++) {
                    Occurrence one = study.occurrences().get(each);
                    double[][] part = sums.computeIfAbsent(namer.name(study, one), none -> new double[3][horizons]);
                    if (counted[each]) {
                        part[0][at]++;
                        part[1][at] += one.returns()[at];
                        part[2][at] += one.returns()[at] > 0 ? 1 : 0;
                    }
                }
            }
        }
        List<Part> parts = new ArrayList<>();
        sums.forEach((name, part) -> {
            int[] counts = new int[horizons];
            double[] means = new double[horizons];
            double[] gains = new double[horizons];
            for (int at = 0; at < horizons; at++) {
                counts[at] = (int) part[0][at];
                means[at] = part[1][at] / part[0][at];
                gains[at] = part[2][at] / part[0][at];
            }
            parts.add(new Part(name, counts, means, gains));
        });
        return parts;
    }

    /** How far price went. */
    public Excursion excursion() {
        List<Occurrence> whole = studies.stream()
                .flatMap(each -> each.occurrences().stream())
                .filter(each -> !Double.isNaN(each.worst()))
                .toList();
        int gain = 0;
        int loss = 0;
        for (Occurrence each : whole) {
            if (each.toLoss() >= 0 && (each.toGain() < 0 || each.toLoss() <= each.toGain())) {
                loss++;
            } else if (each.toGain() >= 0) {
                gain++;
            }
        }
        double count = whole.size();
        return new Excursion(
                whole.size(),
                median(whole.stream().mapToDouble(Occurrence::worst).toArray()),
                median(whole.stream().mapToDouble(Occurrence::best).toArray()),
                gain / count,
                loss / count,
                (count - gain - loss) / count,
                median(whole.stream()
                        .mapToDouble(Occurrence::toGain)
                        .filter(bars -> bars >= 0)
                        .toArray()),
                median(whole.stream()
                        .mapToDouble(Occurrence::toLoss)
                        .filter(bars -> bars >= 0)
                        .toArray()));
    }

    private static double median(double[] values) {
        Arrays.sort(values);
        return quantile(values, 0.5);
    }
}
