package dev.yardarm.core.blend;

/**
 * An instrument made of others, as it is kept.
 *
 * @param key its identity, which stays when its code changes, so that what was drawn on it stays too
 * @param code what it is called in lists and formulas
 * @param name for people
 * @param formula of other instruments, such as {@code #KTRL / #MARN}
 */
public record Blend(String key, String code, String name, String formula) {
    public Blend {
        if (key == null || key.isBlank() || code == null || code.isBlank()) {
            throw new IllegalArgumentException("it has no code");
        }
        if (formula == null || formula.isBlank()) {
            throw new IllegalArgumentException("it has no formula");
        }
        name = name == null || name.isBlank() ? formula : name;
        if (!code.matches("[A-Z0-9_.]{1,20}")) {
            throw new IllegalArgumentException(
                    "a code has up to 20 capital letters, digits, points and underscores, not '" + code + "'");
        }
    }
}
