package dev.yardarm.core.formula;

import dev.yardarm.core.formula.grammar.FormulaParser;
import dev.yardarm.core.indicator.Catalogue;
import dev.yardarm.core.indicator.Indicator;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.antlr.v4.runtime.Token;

/**
 * Several definitions that may use each other, checked together: those that are good make a language, those at fault are told
 * and left out, and so are those that rest on them. Immutable.
 *
 * <pre>{@code
 * Definitions own = Definitions.of(texts, Language.builtIn());
 * Formula formula = Formula.parse("trend_stage(30).climbing", own.language());
 * }</pre>
 */
public final class Definitions {
    private final Language language;
    private final Map<Integer, Definition> good;
    private final Map<Integer, FormulaException> bad;

    private Definitions(Language language, Map<Integer, Definition> good, Map<Integer, FormulaException> bad) {
        this.language = language;
        this.good = good;
        this.bad = bad;
    }

    /**
     * Reads definitions in whatever order they stand.
     *
     * @param texts one definition each
     * @param base the language without them
     */
    public static Definitions of(List<String> texts, Language base) {
        return new Reading(texts, base).read();
    }

    /** The base with the definitions that are good. */
    public Language language() {
        return language;
    }

    /** The good ones by the number of their text. */
    public Map<Integer, Definition> good() {
        return good;
    }

    /** What is at fault by the number of its text. */
    public Map<Integer, FormulaException> bad() {
        return bad;
    }

    private static final class Reading {
        private final List<String> texts;
        private final Language base;
        private final Map<String, Integer> names = new LinkedHashMap<>();
        private final Map<Integer, Definition> good = new LinkedHashMap<>();
        private final Map<Integer, FormulaException> bad = new LinkedHashMap<>();
        private final List<Indicator> indicators = new ArrayList<>();
        private final Set<Integer> open = new LinkedHashSet<>();
        private Language language;

        Reading(List<String> texts, Language base) {
            this.texts = texts;
            this.base = base;
            this.language = base;
        }

        Definitions read() {
            for (int at = 0; at < texts.size(); at++) {
                String title = Definition.titleOf(texts.get(at));
                String name = title == null ? "" : Definition.word(title);
                if (!name.isEmpty() && names.putIfAbsent(name, at) != null) {
                    bad.put(
                            at,
                            new FormulaException(
                                    texts.get(at),
                                    texts.get(at).indexOf(title),
                                    title.length(),
                                    "there is a definition called '" + title
                                            + "' already; give one of them another name"));
                }
            }
            for (int at = 0; at < texts.size(); at++) {
                visit(at);
            }
            return new Definitions(language, Map.copyOf(good), Map.copyOf(bad));
        }

        /** Reads a definition after those it uses. */
        private void visit(int at) {
            if (good.containsKey(at) || bad.containsKey(at)) {
                return;
            }
            open.add(at);
            for (Token token : FormulaReader.tokens(texts.get(at))) {
                Integer used = names.get(token.getText().toLowerCase(Locale.ROOT));
                if (used == null || used == at || token.getType() != FormulaParser.WORD) {
                    continue;
                }
                if (open.contains(used)) {
                    bad.put(at, circle(at, used, token));
                    open.remove(at);
                    return;
                }
                visit(used);
            }
            open.remove(at);
            if (bad.containsKey(at)) {
                return;
            }
            try {
                Definition read = Definition.parse(texts.get(at), language);
                good.put(at, read);
                indicators.add(read.indicator());
                Catalogue all = base.catalogue().with(indicators);
                language = new Language(all, base.limits());
            } catch (FormulaException fault) {
                bad.put(at, fault);
            }
        }

        private FormulaException circle(int at, int used, Token token) {
            StringBuilder way = new StringBuilder();
            boolean within = false;
            for (int each : open) {
                within |= each == used;
                if (within) {
                    way.append(Definition.titleOf(texts.get(each))).append(", which uses ");
                }
            }
            return new FormulaException(
                    texts.get(at),
                    token.getStartIndex(),
                    token.getText().length(),
                    "definitions go round in a circle: " + way + Definition.titleOf(texts.get(used)));
        }
    }
}
