package dev.yardarm.chart.model;

import java.util.Optional;

/** The scale a layer is drawn on. */
public enum LayerScale {
    /** That of its pane, with the numbers at the right. */
    PANE("same", "same scale"),
    /** One at the left, shared by all layers put there. */
    LEFT("left", "axis at the left"),
    /**
     * As a change since the first bar in view: among prices it begins at the price there, elsewhere at zero. The chart's
     * base, when one was chosen, counts instead.
     */
    PERCENT("percent", "percent"),
    /** One that fits it alone, without numbers at the side. */
    OWN("own", "own scale");

    private final String word;
    private final String words;

    LayerScale(String word, String words) {
        this.word = word;
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** In files and on the command line. */
    public String word() {
        return word;
    }

    /** The scale of a word, in any case. */
    public static Optional<LayerScale> named(String word) {
        for (LayerScale scale : values()) {
            if (scale.word().equalsIgnoreCase(word)) {
                return Optional.of(scale);
            }
        }
        return Optional.empty();
    }
}
