package dev.yardarm.data.csv;

/**
 * What the numbers of a file say about how they are written. A sign before other than three digits, or behind a zero, is that of
 * decimals; one that stands twice sets thousands apart. A comma before just three digits may be either, and where nothing
 * else decides it stays open; a point there is that of decimals, as everywhere in files of programs.
 */
final class NumberEvidence {
    /** What is rarer than one in so many does not count against the rest. */
    private static final int FEW = 4;

    private String comma;
    private String point;
    private String open;
    private int commas;
    private int points;
    private boolean grouped;

    void see(String text, String column) {
        if (isPlain(text)) {
            points += text.indexOf('.') >= 0 ? 1 : 0;
            point = point == null && text.indexOf('.') >= 0 ? "'" + text + "' (" + column + ")" : point;
            return;
        }
        String where = "'" + BarFields.shown(text) + "' (" + column + ")";
        int commaSigns = count(text, ',');
        int pointSigns = count(text, '.');
        boolean blanks = text.matches("[-+]?\\d{1,3}([ \u00A0\u202F'\u2019]\\d{3})+([.,]\\d+)?");
        grouped |= blanks;
        if (commaSigns + pointSigns == 0
                || !text.matches("[-+]?[\\d.,' \u00A0\u202F\u2019]+([eE][-+]?\\d+)?[kKmMbB]?")) {
            return;
        }
        if (commaSigns > 0 && pointSigns > 0) {
            grouped = true;
            decide(text.lastIndexOf(',') > text.lastIndexOf('.'), where);
        } else if (commaSigns > 1 || pointSigns > 1) {
            grouped = true;
            decide(pointSigns > 1, where);
        } else {
            int sign = Math.max(text.indexOf(','), text.indexOf('.'));
            String before = text.substring(0, sign).replaceFirst("^[-+]", "");
            boolean three = text.substring(sign + 1).matches("\\d{3}[kKmMbB]?");
            boolean group = three && before.matches("[1-9]\\d{0,2}");
            if (!group || blanks) {
                decide(commaSigns == 1, where);
            } else if (commaSigns == 1) {
                open = where;
            }
        }
    }

    /** Digits with one point that is not before just three digits: most numbers of most files. */
    private static boolean isPlain(String text) {
        int point = -1;
        for (int at = 0; at < text.length(); at++) {
            char each = text.charAt(at);
            if (each == '.' && point < 0) {
                point = at;
            } else if (each < '0' || each > '9') {
                return false;
            }
        }
        return point < 0 || text.length() - point != 4;
    }

    private void decide(boolean isComma, String where) {
        if (isComma) {
            comma = comma == null ? where : comma;
            commas++;
        } else {
            point = point == null ? where : point;
            points++;
        }
    }

    private static int count(String text, char sign) {
        return (int) text.chars().filter(each -> each == sign).count();
    }

    /** @param told the sign an option names, 0 when none does */
    NumberForm form(String file, char told) throws BarFileException {
        if (told != 0) {
            return new NumberForm(told, grouped || open != null);
        }
        // A number here and there written otherwise is a bad row; where they are mixed, nobody knows which are right.
        if (comma != null && point != null && FEW * Math.min(commas, points) > commas + points) {
            throw new BarFileException(file + ": some numbers have a decimal comma, such as " + comma
                    + ", others a decimal point, such as " + point
                    + "; say which with --decimal comma or --decimal point");
        }
        if (comma == null && point == null && open != null) {
            throw new BarFileException(
                    file + ": the comma of " + open
                            + " may stand before decimals or between thousands; say which with --decimal comma or --decimal point");
        }
        boolean isComma = commas > points;
        return new NumberForm(isComma ? ',' : '.', grouped || !isComma && open != null);
    }
}
