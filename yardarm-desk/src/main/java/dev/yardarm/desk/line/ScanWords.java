package dev.yardarm.desk.line;

import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.scan.ScanLibrary;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;

/** Names of scans, those of the trader and those that ship: {@code scan largest room} runs the one whose name has these words. */
final class ScanWords {
    private static final int MOST = 8;

    private final Supplier<List<Scan>> own;

    /** @param own the scans the trader has saved */
    ScanWords(Supplier<List<Scan>> own) {
        this.own = own;
    }

    /**
     * Runs a scan by its name.
     *
     * @param ships true for one of the library, which runs over the list gone through
     */
    record Open(Scan scan, boolean ships) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.openScan(scan, ships);
        }
    }

    /** The scans whose names have all words, as they are or begun, in the order of the shortest name; own ones before those that ship. */
    List<Proposal> read(String words) {
        String[] wanted = words.strip().toLowerCase(Locale.ROOT).split("\\s+");
        List<Proposal> found = new ArrayList<>();
        add(own.get(), wanted, false, found);
        add(ScanLibrary.all(), wanted, true, found);
        return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
    }

    private static void add(List<Scan> scans, String[] wanted, boolean ships, List<Proposal> found) {
        scans.stream()
                .filter(each -> has(each.name(), wanted))
                .sorted(Comparator.comparingInt(each -> each.name().length()))
                .forEach(each -> found.add(new Proposal(
                        "scan",
                        "scan " + each.name(),
                        ships ? each.purpose() + ": " + each.note() : "one of your scans",
                        new Open(each, ships))));
    }

    private static boolean has(String name, String[] wanted) {
        List<String> words = List.of(name.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
        return Arrays.stream(wanted).allMatch(each -> words.stream().anyMatch(word -> word.startsWith(each)));
    }
}
