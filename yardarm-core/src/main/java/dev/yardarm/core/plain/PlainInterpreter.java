package dev.yardarm.core.plain;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/**
 * The interpreter that ships with the application: a few families of sentences, each with its usual words, no network and no
 * guessing. A sentence may ask for several things, joined by <em>and</em> before a word that asks.
 */
public final class PlainInterpreter implements Interpreter {
    private static final Pattern ASKING = Pattern.compile(
            "(?i)(?:,\\s*|\\s+)(?:and|then|and then)\\s+(?=(?:also\\s+)?(?:colou?r|paint|tint|mark|draw|plot|show|add|give|name|call|"
                    + "make|let|put|remove|delete|shade|fill|change|use|rename|only|require|warn|tell|set|limit)\\b)");

    @Override
    public Reading read(String sentence, String text, Language language) {
        List<String> understood = new ArrayList<>();
        List<String> unclear = new ArrayList<>();
        List<String> asked = new ArrayList<>();
        Draft draft = new Draft(text);
        List<String> lets = draft.lets();
        for (String part : parts(sentence)) {
            Words words = new Words(part);
            if (!read(words, draft, new Phrases(words, draft, language, asked), understood)) {
                unclear.add(part.strip());
            } else if (!words.rest().isBlank()) {
                unclear.add(words.rest());
            }
        }
        if (!asked.isEmpty() || understood.isEmpty()) {
            return new Reading(text, understood, unclear, asked);
        }
        draft.prune(lets);
        String made = draft.text();
        try {
            Definition.parse(made, language);
        } catch (FormulaException fault) {
            boolean before = !text.isBlank();
            unclear.add((before ? "with it the definition could not be read: " : "it could not be written down: ")
                    + fault.faults().get(0).problem());
            return new Reading(text, List.of(), unclear, asked);
        }
        return new Reading(made, understood, unclear, asked);
    }

    private static List<String> parts(String sentence) {
        List<String> parts = new ArrayList<>();
        for (String whole : sentence.split("[;\\n]+|\\.(?!\\d)")) {
            for (String part : ASKING.split(whole)) {
                if (!part.isBlank()) {
                    parts.add(part.strip());
                }
            }
        }
        return parts;
    }

    private static boolean read(Words words, Draft draft, Phrases phrases, List<String> understood) {
        Making making = new Making(words, draft, phrases, understood);
        Changing changing = new Changing(words, draft, phrases, understood);
        words.take("also", "i want to", "i would like to", "can you");
        if (words.has("and") && !draft.isEmpty() && changing.narrowed()) {
            return true;
        }
        words.take("and");
        return changing.adjustable()
                || changing.named()
                || changing.narrowed()
                || making.coloured()
                || changing.changed()
                || changing.removed()
                || making.marked()
                || making.shaded()
                || making.drawn()
                || making.cue()
                || making.condition();
    }
}
