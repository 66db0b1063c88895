package dev.yardarm.desk.line;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.indicator.Settings;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Lines that draw: {@code level 98.40}, {@code line 2026-03-02 91.20 2026-05-11 99.80 extend:both}, {@code text 2026-03-02 98
 * the gap}. A figure alone takes the tool in hand. A point is a date, with a time of day if need be, and a price; without
 * date the newest bar, without price the last close is meant.
 */
final class DrawWords {
    private DrawWords() {}

    static List<Proposal> read(String text, String[] words) {
        Figure figure = Figures.shared().find(words[0].replace('-', '_')).orElse(null);
        if (figure == null) {
            return List.of();
        }
        if (words.length == 1) {
            return List.of(new Proposal(
                    "drawing",
                    figure.name(),
                    figure.title() + ": " + String.join(", ", figure.points()),
                    new LineCommand.TakeTool(Tool.of(figure.name()))));
        }
        try {
            return List.of(new Proposal(
                    "drawing",
                    text,
                    figure.title(),
                    draw(figure, Arrays.asList(words).subList(1, words.length))));
        } catch (IllegalArgumentException bad) {
            return List.of(new Proposal("drawing", text, bad.getMessage(), null));
        }
    }

    private static LineCommand draw(Figure figure, List<String> words) {
        List<LineCommand.DrawnPoint> points = new ArrayList<>();
        Map<String, String> options = new LinkedHashMap<>();
        StringBuilder rest = new StringBuilder();
        LocalDateTime moment = null;
        boolean worded =
                figure.options().stream().anyMatch(option -> option.name().equals("text"));
        for (String word : words) {
            int colon = word.indexOf(':');
            LocalDateTime date = rest.isEmpty() ? moment(word) : null;
            if (date != null) {
                if (moment != null) {
                    points.add(new LineCommand.DrawnPoint(moment, Double.NaN));
                }
                moment = date;
            } else if (rest.isEmpty() && Prices.isPrice(word)) {
                points.add(new LineCommand.DrawnPoint(moment, Prices.parse(word)));
                moment = null;
            } else if (rest.isEmpty() && colon > 0 && option(figure, word.substring(0, colon)) != null) {
                options.put(word.substring(0, colon), word.substring(colon + 1).replace(',', ' '));
            } else if (worded) {
                rest.append(rest.isEmpty() ? "" : " ").append(word);
            } else {
                throw new IllegalArgumentException(usage(figure));
            }
        }
        if (moment != null) {
            points.add(new LineCommand.DrawnPoint(moment, Double.NaN));
        }
        if (!rest.isEmpty()) {
            options.put("text", rest.toString());
        }
        if (points.size() < figure.least() || points.size() > figure.most()) {
            throw new IllegalArgumentException(usage(figure));
        }
        // Those that are not named come up as the trader wants new ones.
        Map<String, String> given = new LinkedHashMap<>(
                Settings.of(figure.name(), figure.options(), options).values());
        given.keySet().retainAll(options.keySet());
        return new LineCommand.Draw(figure.name(), points, Map.copyOf(given));
    }

    private static Setting option(Figure figure, String name) {
        return figure.options().stream()
                .filter(each -> each.name().equals(name))
                .findFirst()
                .orElse(null);
    }

    private static LocalDateTime moment(String word) {
        try {
            return word.matches("[0-9]{4}-[0-9]{2}-[0-9]{2}")
                    ? LocalDate.parse(word).atStartOfDay()
                    : word.matches("[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9:]+") ? LocalDateTime.parse(word) : null;
        } catch (DateTimeException noDate) {
            throw new IllegalArgumentException(
                    "'" + word + "' is not a date; write it as 2026-03-02 or 2026-03-02T09:30");
        }
    }

    private static String usage(Figure figure) {
        StringBuilder example = new StringBuilder(figure.name());
        for (int point = 0; point < figure.least(); point++) {
            example.append(" 2026-0")
                    .append(3 + point % 6)
                    .append("-02 ")
                    .append(95 + 3 * point)
                    .append(".20");
        }
        return figure.title() + " needs " + (figure.least() == 1 ? "a point" : figure.least() + " points")
                + ", such as " + example;
    }
}
