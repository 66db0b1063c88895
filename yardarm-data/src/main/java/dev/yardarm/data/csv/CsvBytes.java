package dev.yardarm.data.csv;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** The bytes of a text file as UTF-8, without the mark some programs put before them. */
final class CsvBytes {
    private CsvBytes() {}

    /** @throws BarFileException when there is no such file */
    static InputStream open(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new BarFileException("there is no file " + file);
        }
        InputStream in = new BufferedInputStream(Files.newInputStream(file), 16);
        in.mark(4);
        int first = in.read();
        int second = in.read();
        if (first == 0xFF && second == 0xFE || first == 0xFE && second == 0xFF) {
            Charset wide = first == 0xFF ? StandardCharsets.UTF_16LE : StandardCharsets.UTF_16BE;
            String text = new String(in.readAllBytes(), wide);
            in.close();
            return new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8));
        }
        if (first == 0xEF && second == 0xBB && in.read() == 0xBF) {
            return in;
        }
        in.reset();
        return in;
    }

    /** The first bytes of a file. */
    static byte[] head(Path file, int most) throws IOException {
        try (InputStream in = open(file)) {
            return in.readNBytes(most);
        }
    }
}
