package dev.yardarm.cli;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.io.TempDir;

/** A test that runs commands in a folder of its own and reads what they write. */
abstract class AtTheCommandLine {
    @TempDir
    Path folder;

    final StringWriter out = new StringWriter();
    final StringWriter errors = new StringWriter();

    /** Runs a command; what the one before wrote is gone. */
    int run(Object... words) {
        out.getBuffer().setLength(0);
        errors.getBuffer().setLength(0);
        return Main.run(
                Arrays.stream(words).map(Object::toString).toArray(String[]::new),
                new PrintWriter(out, true),
                new PrintWriter(errors, true));
    }
}
