package dev.yardarm.core.drawing;

import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.series.Bars;
import java.util.List;

/**
 * A kind of drawing: how many points it takes, what can be chosen about it, and what it consists of. Implementations are
 * stateless and have a constructor without parameters; most extend {@link Declared}.
 */
public interface Figure {
    /** Name on the command line and in files: one lower-case word. */
    String name();

    /** Name for people. */
    String title();

    Family family();

    /** Other words people look for it by. */
    List<String> synonyms();

    /** What each point is, in the words the trader is asked for it; the last goes for all further ones. */
    List<String> points();

    /** The fewest points it can be drawn through. */
    int least();

    /** The most points it takes; as soon as they are there it is finished. */
    int most();

    List<Setting> options();

    /** What it is for, how it is constructed and where the construction is from. */
    String help();

    /** Puts together what it consists of. */
    void draw(Pen pen);

    /** True when what it consists of depends on the bars under it. */
    default boolean readsBars() {
        return false;
    }

    /** How many points are clicked before it finds its others by itself; as many as it takes when it finds none. */
    default int clicks() {
        return most();
    }

    /**
     * The points of a drawing after those that were clicked, for a figure that finds its place from the bars.
     *
     * @param bars of the timeframe it is drawn on
     * @throws IllegalArgumentException when there is no place for it, with the reason
     */
    default List<Anchor> settled(List<Anchor> clicked, Bars bars, Plane plane) {
        return clicked;
    }

    /**
     * The points of a drawing after some of them were moved, for a figure whose points depend on each other and on the bars.
     *
     * @param bars of the timeframe it is drawn on
     */
    default List<Anchor> moved(List<Anchor> before, List<Anchor> after, Bars bars, Plane plane) {
        return after;
    }

    /** Groups of figures. */
    enum Family {
        LINES("Lines"),
        ZONES("Zones"),
        RATIOS("Ratios"),
        MOVES("Moves"),
        STRUCTURE("Structure"),
        WORDS("Words"),
        MEASURES("Measures");

        private final String title;

        Family(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }
}
