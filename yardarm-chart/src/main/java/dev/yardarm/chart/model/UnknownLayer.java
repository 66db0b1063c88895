package dev.yardarm.chart.model;

import java.util.Objects;

/**
 * A layer that cannot be understood now: its indicator is not known, or it was written by a newer version. It is listed with the
 * reason and written back as it was read, and comes to life when it can be understood.
 *
 * @param id tells it apart on its chart
 * @param title what it calls itself
 * @param reason why it cannot be shown, for people
 * @param kept as it was read; nobody's business but that of who wrote it
 */
public record UnknownLayer(String id, String title, String reason, Object kept) implements Layer {
    public UnknownLayer {
        Objects.requireNonNull(id);
        Objects.requireNonNull(title);
        Objects.requireNonNull(reason);
    }
}
