package dev.yardarm.core.drawing;

/** How far a straight stroke goes beyond its two points. */
public enum Extent {
    NONE,
    RIGHT,
    LEFT,
    BOTH;

    /** The extent of a setting's word. */
    static Extent of(String word) {
        return valueOf(word.toUpperCase(java.util.Locale.ROOT));
    }

    /** True when it goes on behind its later point. */
    public boolean isRight() {
        return this == RIGHT || this == BOTH;
    }

    /** True when it goes on before its earlier point. */
    public boolean isLeft() {
        return this == LEFT || this == BOTH;
    }
}
