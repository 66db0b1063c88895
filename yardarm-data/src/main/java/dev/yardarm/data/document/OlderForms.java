package dev.yardarm.data.document;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.yardarm.core.scan.Scan;
import java.util.ArrayList;
import java.util.List;

/** How each version of a document is brought to the next one. */
final class OlderForms {
    private OlderForms() {}

    /** Workspace 1 to 2: from one chart to layouts. */
    static void chartsToLayouts(ObjectNode workspace) {
        JsonNode chart = workspace.remove("chart");
        if (chart instanceof ObjectNode && workspace.path("layouts").isEmpty()) {
            ObjectNode layout = workspace.putArray("layouts").addObject();
            layout.put("title", "Layout 1");
            layout.put("arrangement", "0");
            layout.putArray("charts").add(chart);
            layout.put("active", 0);
            layout.put("maximised", -1);
            layout.put("ownWindow", false);
        }
    }

    /** Workspace 2 to 3: scales of charts and indicators in words. */
    static void workspaceScales(ObjectNode workspace) {
        // Written beside layouts for readers of version 1.
        chartsToLayouts(workspace);
        for (JsonNode layout : workspace.path("layouts")) {
            for (JsonNode chart : layout.path("charts")) {
                scales(chart);
            }
        }
    }

    /** Presets 1 to 2: the same. */
    static void presetScales(ObjectNode presets) {
        for (JsonNode preset : presets.path("presets")) {
            scales(preset.path("makeUp"));
        }
    }

    /** Exported workspaces 1 to 2: the same. */
    static void exportScales(ObjectNode export) {
        if (export.path("workspace") instanceof ObjectNode workspace) {
            workspaceScales(workspace);
        }
        presetScales(export);
    }

    /** Habits 1 to 2: the same for indicators as new ones come up. */
    static void habitScales(ObjectNode habits) {
        habits.path("indicators").forEach(OlderForms::scale);
    }

    private static void scales(JsonNode chart) {
        if (!(chart instanceof ObjectNode node)) {
            return;
        }
        JsonNode logarithmic = node.remove("logarithmic");
        if (!node.hasNonNull("scale") && logarithmic != null && logarithmic.asBoolean()) {
            ObjectNode scale = node.putObject("scale");
            scale.put("mode", "LOGARITHMIC");
            scale.put("inverted", false);
            scale.put("fit", "PRICE");
            scale.put("top", 0.05);
            scale.put("bottom", 0.05);
            scale.put("base", 0);
        }
        node.path("indicators").forEach(OlderForms::scale);
    }

    private static void scale(JsonNode indicator) {
        if (indicator instanceof ObjectNode node) {
            JsonNode onLeft = node.remove("onLeft");
            if (!node.hasNonNull("scale") && onLeft != null && onLeft.asBoolean()) {
                node.put("scale", "left");
            }
        }
    }

    /** Alerts 1 to 2: that an alert fired is no part of it any more; {@link HomeUpgrade} has taken it out before. */
    static void alertsWithoutFirings(ObjectNode alerts) {
        for (JsonNode alert : alerts.path("alerts")) {
            if (alert instanceof ObjectNode node) {
                node.remove("firedAt");
                node.remove("firedPrice");
            }
        }
    }

    /** Alerts 2 to 3: one thing waited for becomes the first of several, its timeframe the bars, its side where price stood. */
    static void alertsOfOneWait(ObjectNode alerts) {
        for (JsonNode each : alerts.path("alerts")) {
            if (!(each instanceof ObjectNode alert) || alert.has("waits")) {
                continue;
            }
            ObjectNode wait = JsonNodeFactory.instance.objectNode();
            JsonNode condition = alert.remove("condition");
            JsonNode size = alert.remove("size");
            JsonNode together = alert.remove("together");
            JsonNode drawing = alert.remove("drawing");
            JsonNode trigger = alert.remove("trigger");
            JsonNode above = alert.remove("above");
            if (condition != null && !condition.isNull()) {
                wait.put("on", "condition");
                wait.set("text", condition);
            } else if (size != null && !size.isNull()) {
                wait.put("on", "trade");
                wait.set("size", size);
                if (together != null && !together.isNull()) {
                    wait.set("together", together);
                }
            } else if (drawing != null && !drawing.isNull()) {
                wait.put("on", "drawing");
                wait.set("drawing", drawing);
                alert.put("stood", above != null && above.asBoolean() ? "above" : "below");
            }
            if (trigger != null) {
                wait.set("trigger", trigger);
            }
            alert.putArray("waits").add(wait);
            timeframeToBars(alert);
        }
    }

    /** Firings 1 to 2: the trigger goes into the words. */
    static void firingsInWords(ObjectNode firings) {
        for (JsonNode each : firings.path("firings")) {
            if (!(each instanceof ObjectNode firing) || firing.has("bars")) {
                continue;
            }
            String trigger = firing.path("trigger").asText("");
            String on = firing.path("on").asText("");
            String said =
                    switch (trigger) {
                        case "REACHES" -> "reaches ";
                        case "CLOSES_BEYOND" -> "closes beyond ";
                        default -> "";
                    };
            if (!on.isEmpty()) {
                firing.put("on", said + on);
            }
            firing.remove("trigger");
            firing.remove("above");
            timeframeToBars(firing);
        }
    }

    private static void timeframeToBars(ObjectNode node) {
        JsonNode timeframe = node.remove("timeframe");
        if (timeframe != null && !timeframe.isNull()) {
            node.put("bars", "time:" + timeframe.asText());
        }
    }

    /** A scan had one list and several conditions that all had to hold. */
    static void scansOfOneList(ObjectNode scans) {
        if (scans.path("scans") instanceof ArrayNode list) {
            list.forEach(scan -> {
                if (scan instanceof ObjectNode node && !node.has("condition")) {
                    List<String> conditions = new ArrayList<>();
                    node.path("conditions").forEach(each -> conditions.add(each.asText()));
                    node.put("condition", Scan.all(conditions));
                    String name = node.path("list").asText("");
                    if (!name.isEmpty()) {
                        node.putObject("universe").putArray("lists").add(name);
                    }
                    node.remove("list");
                    node.remove("conditions");
                }
            });
        }
    }

    /** Plans 1 to 2: each was the one of its instrument and stands. */
    static void plansThatStand(ObjectNode plans) {
        if (plans.path("plans") instanceof ArrayNode list) {
            list.forEach(plan -> {
                if (plan instanceof ObjectNode node) {
                    node.put("endedAt", 0);
                }
            });
        }
    }
}
