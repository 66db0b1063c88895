package dev.yardarm.desk.line;

import dev.yardarm.core.blend.Blend;
import dev.yardarm.core.formula.BlendFormula;
import dev.yardarm.core.formula.FormulaException;
import dev.yardarm.core.formula.Language;
import dev.yardarm.desk.action.View;
import dev.yardarm.desk.market.Directory;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lines about blends: {@code blend KTMR #KTRL / #MARN}, with a name in quotes {@code blend KTMR "Kettering over Marn" #KTRL / #MARN},
 * without a code {@code blend #KTRL - #MARN}, {@code blend delete KTMR}. Codes of instruments may stand without their sign.
 */
public final class BlendLines {
    private static final Pattern DELETE = Pattern.compile("(?i)blend\\s+(?:delete|remove)\\s+(\\S+)");
    private static final Pattern MAKE =
            Pattern.compile("(?i)blend\\s+(?:(?![0-9.]+\\s)([A-Za-z0-9_.]+)\\s+)?(?:[\"“]([^\"”]*)[\"”]\\s+)?(.+)");
    private static final Pattern WORD = Pattern.compile("(?<![#A-Za-z0-9_.\"])[A-Za-z][A-Za-z0-9_.]*");

    private BlendLines() {}

    /** Makes or changes a blend and opens it. */
    public record Make(String code, String name, String formula) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            try {
                Blend made = hands.desk().blendWork().make(code, name, formula);
                hands.room()
                        .open(
                                hands.desk().blendWork().instrument(made),
                                hands.room().chart().request());
                hands.go(View.CHART);
                boolean closes =
                        !BlendFormula.parse(made.formula(), Language.builtIn()).isFieldByField();
                hands.desk()
                        .tell(made.code() + " is an instrument now: " + made.formula()
                                + (closes ? ", worked out from closes." : "."));
            } catch (IllegalArgumentException refused) {
                hands.desk().tell("The blend is not made: " + refused.getMessage() + ".");
            }
        }
    }

    /** Takes a blend away. */
    public record Delete(String code) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.desk()
                    .blendWork()
                    .find(code.replaceFirst("^#", ""))
                    .ifPresentOrElse(hands.desk().blendWork()::delete, () -> hands.desk()
                            .tell("There is no blend called " + code + "."));
        }
    }

    /** Adds what a line means, if it is about a blend. */
    static void read(String text, Directory directory, List<Proposal> proposals) {
        if (!text.toLowerCase(Locale.ROOT).startsWith("blend ")) {
            return;
        }
        Matcher delete = DELETE.matcher(text);
        if (delete.matches()) {
            proposals.add(new Proposal("blend", text, "take the blend away", new Delete(delete.group(1))));
            return;
        }
        Matcher make = MAKE.matcher(text);
        if (!make.matches()) {
            return;
        }
        String code = make.group(1) == null ? "" : make.group(1);
        String formula = signed(make.group(3), directory);
        if (!code.isEmpty() && formula.matches("[-+*/^].*")) {
            // blend KTRL / MARN: the first is a part of it, no code of its own.
            formula = signed(code + " " + make.group(3), directory);
            code = "";
        }
        try {
            BlendFormula read = BlendFormula.parse(formula, Language.builtIn());
            String missing = read.parts().stream()
                    .filter(each ->
                            each.indexOf(':') < 0 && directory.byCode(each).isEmpty())
                    .findFirst()
                    .orElse(null);
            proposals.add(
                    0,
                    missing == null
                            ? new Proposal(
                                    "blend",
                                    text,
                                    "make an instrument of " + String.join(", ", read.parts())
                                            + (read.isFieldByField() ? "" : ", from closes"),
                                    new Make(code, make.group(2) == null ? "" : make.group(2), formula))
                            : new Proposal("blend", text, "there is no instrument " + missing, null));
        } catch (FormulaException bad) {
            proposals.add(
                    0,
                    new Proposal(
                            "blend", text, bad.getMessage().lines().findFirst().orElse(""), null));
        }
    }

    /** Codes of instruments with their sign, where people leave it out. */
    private static String signed(String formula, Directory directory) {
        return WORD.matcher(formula)
                .replaceAll(found -> Matcher.quoteReplacement(
                        directory.byCode(found.group()).isPresent() && !isCall(formula, found.end())
                                ? "#" + found.group()
                                : found.group()));
    }

    private static boolean isCall(String formula, int end) {
        return end < formula.length() && formula.charAt(end) == '(';
    }
}
