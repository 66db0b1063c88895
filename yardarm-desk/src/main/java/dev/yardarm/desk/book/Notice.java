package dev.yardarm.desk.book;

import java.util.List;

/** The words of notices. */
public final class Notice {
    private static final int FEW = 5;

    private Notice() {}

    /** The first few of many, and how many more there are. */
    public static String few(List<String> all) {
        String first = String.join("; ", all.subList(0, Math.min(FEW, all.size())));
        return all.size() <= FEW ? first : first + "; and " + (all.size() - FEW) + " more";
    }
}
