package dev.yardarm.core.own;

import dev.yardarm.core.formula.Definition;
import dev.yardarm.core.formula.Definitions;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * The language with the indicators a trader made: of each the newest version that is good, together with the others. One whose
 * newest version is at fault keeps its last good one; what is at fault is told beside. Immutable.
 *
 * @param language with all that is good
 * @param definitions by name, those in use
 * @param faults by name, of newest versions that are not in use
 */
public record OwnLanguage(
        Language language, Map<String, Definition> definitions, Map<String, FormulaException> faults) {
    /** How many versions back a good one is looked for. */
    private static final int BACK = 20;

    /** @param base the language without them */
    public static OwnLanguage of(List<OwnIndicator> own, Language base) {
        int[] back = new int[own.size()];
        Map<String, FormulaException> faults = new LinkedHashMap<>();
        while (true) {
            List<String> texts = new ArrayList<>();
            for (int at = 0; at < back.length; at++) {
                List<OwnIndicator.Version> versions = own.get(at).versions();
                texts.add(versions.get(versions.size() - 1 - back[at]).text());
            }
            Definitions read = Definitions.of(texts, base);
            boolean further = false;
            for (int at : rootsOf(read.bad(), own, texts)) {
                if (back[at] == 0) {
                    faults.putIfAbsent(own.get(at).name(), read.bad().get(at));
                }
                if (back[at] < BACK && back[at] + 1 < own.get(at).versions().size()) {
                    back[at]++;
                    further = true;
                }
            }
            if (!further) {
                read.bad().forEach((at, fault) -> faults.putIfAbsent(own.get(at).name(), fault));
                Map<String, Definition> used = new LinkedHashMap<>();
                read.good().values().forEach(each -> used.put(each.name(), each));
                return new OwnLanguage(read.language(), used, faults);
            }
        }
    }

    /** Those at fault that do not rest on others at fault: they are what has to be gone back on first. */
    private static List<Integer> rootsOf(
            Map<Integer, FormulaException> bad, List<OwnIndicator> own, List<String> texts) {
        List<Integer> roots = new ArrayList<>();
        for (int at : bad.keySet()) {
            boolean rests = bad.keySet().stream()
                    .anyMatch(other -> other != at
                            && Pattern.compile("(?i)\\b"
                                            + Pattern.quote(own.get(other).name()) + "\\b")
                                    .matcher(texts.get(at))
                                    .find());
            if (!rests) {
                roots.add(at);
            }
        }
        return roots.isEmpty() ? List.copyOf(bad.keySet()) : roots;
    }
}
