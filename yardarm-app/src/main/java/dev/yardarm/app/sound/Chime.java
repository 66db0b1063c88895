package dev.yardarm.app.sound;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The short sounds of alerts, worked out from their partials when they are played: tones that begin at once and fade, one over the other.
 * None is longer than a second and a half. One channel, 16 bits, 44,100 samples a second.
 */
public enum Chime {
    /** A ship's bell, struck once. */
    BELL(1.4, List.of(new Tone(660, 0, 0.55, 2.6), new Tone(1562, 0, 0.3, 4), new Tone(2640, 0, 0.12, 7))),
    /** Struck twice. */
    TWO_BELLS(
            1.5,
            List.of(
                    new Tone(660, 0, 0.5, 4),
                    new Tone(1562, 0, 0.25, 6),
                    new Tone(660, 0.35, 0.5, 2.6),
                    new Tone(1562, 0.35, 0.25, 4))),
    /** Wood on wood. */
    WOOD(0.25, List.of(new Tone(430, 0, 0.8, 28), new Tone(1130, 0, 0.35, 45))),
    /** A drop of water. */
    DROP(0.5, List.of(new Tone(880, 0, 0.5, 14), new Tone(1318, 0.09, 0.5, 12))),
    /** A low horn, for what must not be missed. */
    HORN(1.2, List.of(new Tone(155, 0, 0.5, 1.5), new Tone(310, 0, 0.28, 1.8), new Tone(465, 0, 0.16, 2.2)));

    static final int RATE = 44_100;

    /** @param fade how fast it fades: after 1 / fade seconds a third is left */
    private record Tone(double hertz, double begins, double strength, double fade) {}

    private final double seconds;
    private final List<Tone> tones;

    Chime(double seconds, List<Tone> tones) {
        this.seconds = seconds;
        this.tones = tones;
    }

    /** As it is written in a line: {@code bell}, {@code two-bells}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The sound of a word. */
    public static Optional<Chime> named(String word) {
        for (Chime each : values()) {
            if (each.word().equals(word)) {
                return Optional.of(each);
            }
        }
        return Optional.empty();
    }

    /**
     * Its samples, 16 bits, the low byte first.
     *
     * @param volume from 0 to 1
     */
    byte[] samples(double volume) {
        int count = (int) (seconds * RATE);
        byte[] samples = new byte[2 * count];
        for (int at = 0; at < count; at++) {
            double time = at / (double) RATE;
            double sum = 0;
            for (Tone tone : tones) {
                double since = time - tone.begins();
                if (since >= 0) {
                    // A few milliseconds of rising, so that it begins without a click.
                    double rising = Math.min(1, since * 250);
                    sum += rising
                            * tone.strength()
                            * Math.exp(-tone.fade() * since)
                            * Math.sin(2 * Math.PI * tone.hertz() * since);
                }
            }
            double ending = Math.min(1, (count - at) / 400.0);
            int value = (int) Math.round(Math.max(-1, Math.min(1, sum * volume * ending)) * Short.MAX_VALUE);
            samples[2 * at] = (byte) value;
            samples[2 * at + 1] = (byte) (value >> 8);
        }
        return samples;
    }
}
