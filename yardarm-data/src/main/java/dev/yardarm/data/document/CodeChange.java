package dev.yardarm.data.document;

import dev.yardarm.data.home.FileNames;
import dev.yardarm.data.text.BoundedFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Instruments of a source that go by other codes now: documents that speak of them follow. Works on the text of the files, so that what
 * cannot be understood follows too; each changed file is written beside the old one and moved into its place. Done before
 * documents are read; once more does no harm.
 */
public final class CodeChange {
    private CodeChange() {}

    /**
     * Renames instruments in all documents of a folder.
     *
     * @param codes old codes with the new ones; futures contracts ({@code OLD-U26}) follow their root
     * @return how many files have changed
     */
    public static int run(Path documents, String source, Map<String, String> codes) throws IOException {
        if (codes.isEmpty() || !Files.isDirectory(documents)) {
            return 0;
        }
        String any =
                String.join("|", codes.keySet().stream().map(Pattern::quote).toList());
        // As an identity, and as a word of a formula.
        Pattern spoken = Pattern.compile("(" + Pattern.quote(source) + ":|#)(" + any + ")(?![A-Za-z0-9_])");
        List<Path> files;
        try (Stream<Path> all = Files.walk(documents)) {
            files = all.filter(file -> file.getFileName().toString().endsWith(".json"))
                    .toList();
        }
        int changed = 0;
        for (Path file : new ArrayList<>(files)) {
            String text = new String(BoundedFile.bytes(file, BoundedFile.DOCUMENT), StandardCharsets.UTF_8);
            Matcher found = spoken.matcher(text);
            String now = found.replaceAll(each -> Matcher.quoteReplacement(each.group(1) + codes.get(each.group(2))));
            Path target = renamed(file, source, codes);
            if (now.equals(text) && target.equals(file)) {
                continue;
            }
            if (!target.equals(file) && Files.exists(target)) {
                continue;
            }
            Path beside = file.resolveSibling(file.getFileName() + ".new");
            Files.writeString(beside, now);
            Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            if (!target.equals(file)) {
                Files.delete(file);
            }
            changed++;
        }
        return changed;
    }

    /** Where the drawings of an instrument lie, by its new code. */
    private static Path renamed(Path file, String source, Map<String, String> codes) {
        String name = file.getFileName().toString();
        for (Map.Entry<String, String> each : codes.entrySet()) {
            String start = FileNames.safe(source + "-" + each.getKey());
            if (name.startsWith(start)
                    && (name.startsWith(".", start.length()) || name.startsWith("-", start.length()))) {
                return file.resolveSibling(
                        FileNames.safe(source + "-" + each.getValue()) + name.substring(start.length()));
            }
        }
        return file;
    }
}
