package dev.yardarm.data.home;

/** Names of the user's as names of files. */
public final class FileNames {
    private FileNames() {}

    /**
     * A name as a file name: letters, digits, dot, dash and underscore stay, the rest becomes its number, so that two names never
     * share a file.
     */
    public static String safe(String name) {
        StringBuilder safe = new StringBuilder();
        for (int at = 0; at < name.length(); at++) {
            char letter = name.charAt(at);
            boolean plain = letter < 128 && Character.isLetterOrDigit(letter)
                    || letter == '-'
                    || letter == '_'
                    || letter == '.' && !safe.isEmpty();
            safe.append(plain ? String.valueOf(letter) : "%" + Integer.toHexString(letter));
        }
        return safe.toString();
    }
}
