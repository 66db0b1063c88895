package dev.yardarm.data.csv;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/** The bytes of a text file as UTF-8, without the mark some programs put before them. */
final class CsvBytes {
    private CsvBytes() {}

    /** @throws BarFileException when there is no such file */
    static InputStream open(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new BarFileException("there is no file " + file + "; check the path");
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

    /**
     * Where a large file may be cut into two that are read side by side: behind the end of a line near its middle; 0 when it is
     * small or not in UTF-8.
     */
    static long middle(Path file, long least) throws IOException {
        long size = Files.size(file);
        if (size < least) {
            return 0;
        }
        try (FileChannel channel = FileChannel.open(file)) {
            byte[] mark = at(channel, 0, 2);
            boolean wide = mark[0] == (byte) 0xFF || mark[0] == (byte) 0xFE;
            byte[] around = wide ? new byte[0] : at(channel, size / 2, 1 << 16);
            for (int place = 0; place < around.length; place++) {
                if (around[place] == '\n') {
                    return size / 2 + place + 1;
                }
            }
        }
        return 0;
    }

    private static byte[] at(FileChannel channel, long position, int count) throws IOException {
        ByteBuffer read = ByteBuffer.allocate(count);
        int more = 1;
        while (read.hasRemaining() && more > 0) {
            more = channel.read(read, position + read.position());
        }
        return Arrays.copyOf(read.array(), read.position());
    }

    /** The bytes of a file up to a place. */
    static InputStream until(Path file, long end) throws IOException {
        InputStream in = open(file);
        byte[] mark = new byte[3];
        try (InputStream raw = Files.newInputStream(file)) {
            raw.readNBytes(mark, 0, 3);
        }
        boolean marked = mark[0] == (byte) 0xEF && mark[1] == (byte) 0xBB && mark[2] == (byte) 0xBF;
        return new FilterInputStream(in) {
            private long left = end - (marked ? 3 : 0);

            @Override
            public int read(byte[] into, int from, int most) throws IOException {
                if (left <= 0) {
                    return -1;
                }
                int count = super.read(into, from, (int) Math.min(most, left));
                left -= Math.max(0, count);
                return count;
            }
        };
    }

    /** The bytes of a file from a place on. */
    static InputStream from(Path file, long start) throws IOException {
        InputStream in = Files.newInputStream(file);
        in.skipNBytes(start);
        return in;
    }
}
