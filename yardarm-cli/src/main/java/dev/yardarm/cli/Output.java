package dev.yardarm.cli;

import com.fasterxml.jackson.core.io.NumberOutput;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** Where data goes: standard output, or a file that appears only when it is complete. */
final class Output {
    private Output() {}

    /** Writes data. */
    @FunctionalInterface
    interface Content {
        void write(Writer to) throws IOException;
    }

    static void write(Path file, PrintWriter standard, Content content) throws IOException {
        if (file == null) {
            content.write(standard);
            standard.flush();
            if (standard.checkError()) {
                throw new IOException("standard output was closed before everything was written");
            }
            return;
        }
        Path folder = file.toAbsolutePath().getParent();
        if (folder == null || Files.isDirectory(file)) {
            throw new IOException(file + " is a folder; name a file in it");
        }
        if (!Files.isDirectory(folder)) {
            throw new IOException("the folder " + folder + " does not exist");
        }
        if (Files.exists(file) && !Files.isRegularFile(file)) {
            // A device or a pipe takes what is written and stays what it is.
            try (Writer writer = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
                content.write(writer);
            }
            return;
        }
        Path temporary = file.resolveSibling(
                "." + file.getFileName() + "." + ProcessHandle.current().pid() + ".new");
        try {
            try (Writer writer = Files.newBufferedWriter(temporary, StandardCharsets.UTF_8)) {
                content.write(writer);
            }
            move(temporary, target(file));
        } catch (IOException failed) {
            Files.deleteIfExists(temporary);
            throw new IOException(file + " cannot be written: " + failed.getMessage(), failed);
        }
    }

    /** Where a link leads, so that the link stays one. */
    private static Path target(Path file) throws IOException {
        return Files.isSymbolicLink(file) && Files.exists(file) ? file.toRealPath() : file;
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException otherDisk) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** A number with full precision, without an exponent; empty when missing. */
    static String number(double value) {
        StringBuilder text = new StringBuilder();
        number(value, text);
        return text.toString();
    }

    /** The same behind other text. */
    static void number(double value, StringBuilder text) {
        if (Double.isNaN(value) || Double.isInfinite(value)) {
            return;
        }
        if (value == Math.rint(value) && Math.abs(value) < 1e15) {
            text.append((long) value);
            return;
        }
        if (hundredths(value, text)) {
            return;
        }
        String shortest = NumberOutput.toString(value, /* useFastWriter= */ true);
        text.append(shortest.indexOf('E') < 0 ? shortest : new BigDecimal(shortest).toPlainString());
    }

    /** Prices of two decimals, which most are: written when the shortest form has no more. */
    private static boolean hundredths(double value, StringBuilder text) {
        double scaled = value * 100;
        long whole = Math.round(scaled);
        if (Math.abs(whole) > 1L << 40 || whole / 100.0 != value) {
            return false;
        }
        long rest = Math.abs(whole % 100);
        text.append(whole < 0 ? "-" : "")
                .append(Math.abs(whole) / 100)
                .append('.')
                .append((char) ('0' + rest / 10));
        if (rest % 10 != 0) {
            text.append((char) ('0' + rest % 10));
        }
        return true;
    }
}
