package dev.yardarm.core.drawing.figure;

import dev.yardarm.core.drawing.Declared;
import dev.yardarm.core.drawing.Pen;
import dev.yardarm.core.drawing.Point;
import dev.yardarm.core.drawing.Sketch.Part;
import dev.yardarm.core.drawing.Sketch.Side;
import dev.yardarm.core.drawing.WaveDegree;
import java.util.List;
import java.util.function.Function;

/** The base of wave counts: legs with the names of their degree, and what breaks a rule. */
abstract class Waves extends Declared {
    private final String[] waves;
    private final Function<double[], List<String>> rules;

    Waves(String name, String title, String help, Function<double[], List<String>> rules, String... waves) {
        super(Family.STRUCTURE, name, title);
        this.waves = waves;
        this.rules = rules;
        String[] points = new String[waves.length + 1];
        points[0] = "where wave " + waves[0] + " begins";
        for (int wave = 0; wave < waves.length; wave++) {
            points[wave + 1] = "the end of wave " + waves[wave];
        }
        also("elliott", "wave count");
        through(points);
        atLeast(2);
        choice(
                "degree",
                "Degree",
                "minor",
                "supercycle",
                "cycle",
                "primary",
                "intermediate",
                "minute",
                "minuette",
                "subminuette");
        choice("line", "Line", "yes", "no");
        help(help
                + " Rules that are broken are written at its end (A. J. Frost, R. R. Prechter: Elliott Wave Principle, "
                + "1978). Enter on the last point ends an unfinished count.");
    }

    @Override
    public final void draw(Pen pen) {
        WaveDegree degree = WaveDegree.of(pen.word("degree"));
        if (pen.is("line", "yes")) {
            pen.stroke(Part.MAIN, pen.points());
        }
        for (int wave = 0; wave + 1 < pen.count(); wave++) {
            Point end = pen.at(wave + 1);
            pen.note(
                    end,
                    degree.label(waves[wave]),
                    end.v() >= pen.at(wave).v() ? Side.ABOVE : Side.BELOW,
                    degree.size());
        }
        pen.broken(
                pen.at(pen.count() - 1),
                rules.apply(pen.points().stream()
                        .mapToDouble(point -> pen.plane().price(point.v()))
                        .toArray()));
    }
}
