package dev.yardarm.app.workbench;

/** What is wanted of the editor of one's own indicators and blends. */
public sealed interface Writing {
    /**
     * A definition.
     *
     * @param name of the one to be opened; empty for what was written last
     */
    record Indicator(String name) implements Writing {}

    /**
     * The blends.
     *
     * @param formula of one to be made; empty to look at what is there
     */
    record Blends(String formula) implements Writing {}
}
