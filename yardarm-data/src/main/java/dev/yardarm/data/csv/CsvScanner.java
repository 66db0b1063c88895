package dev.yardarm.data.csv;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Cuts a CSV file into records of fields (RFC 4180) without making an object for any of them: a record is a list of places in a
 * buffer of bytes, and numbers and times are read from there. Lines end with LF, CR LF or CR, whichever comes; quoted fields
 * may hold separators, doubled quotes and line ends. What the standard does not allow is a fault of its record: an end of
 * the file inside quotes, characters behind closing quotes.
 *
 * <p>One pass; memory: the longest record, at most {@value #LONGEST} bytes.
 */
final class CsvScanner implements Closeable {
    private static final int LONGEST = 64 << 20;
    private static final byte QUOTE = '"';

    private final InputStream in;
    private final byte separator;
    private byte[] buffer = new byte[1 << 20];
    private int limit;
    private int position;
    private boolean ended;
    private long line = 1;

    private int[] starts = new int[16];
    private int[] ends = new int[16];
    private boolean[] quoted = new boolean[16];
    private int count;
    private long recordLine;
    private String fault;
    private boolean sawQuotes;

    CsvScanner(InputStream in, char separator) {
        this.in = in;
        this.separator = (byte) separator;
    }

    /** Goes to the next record in which anything stands; false when there is none. */
    boolean next() throws IOException {
        while (read()) {
            if (fault != null) {
                return true;
            }
            for (int column = 0; column < count; column++) {
                if (!isBlank(column)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Passes over records that are not blank. */
    void skip(int records) throws IOException {
        int left = records;
        while (left > 0 && next()) {
            left--;
        }
    }

    private boolean read() throws IOException {
        fault = null;
        recordLine = line;
        if (position == limit && !more()) {
            return false;
        }
        int end;
        while ((end = scan()) < 0) {
            // The record goes on behind the buffer: bring in more and read it again from its start.
            if (!more()) {
                ended = true;
            }
        }
        position = end;
        return true;
    }

    /** Brings in more bytes behind those of the current record; false when there are none. */
    private boolean more() throws IOException {
        if (position > 0) {
            System.arraycopy(buffer, position, buffer, 0, limit - position);
            limit -= position;
            position = 0;
        }
        if (limit == buffer.length) {
            if (buffer.length >= LONGEST) {
                throw new BarFileException("line " + line + " is longer than " + (LONGEST >> 20)
                        + " MB; this is no CSV file, or a quote is not closed");
            }
            buffer = Arrays.copyOf(buffer, 2 * buffer.length);
        }
        int read = in.read(buffer, limit, buffer.length - limit);
        if (read > 0) {
            limit += read;
        }
        return read > 0;
    }

    /** Reads one record; the place behind it, or -1 when the buffer ends before it does. */
    private int scan() {
        byte[] bytes = buffer;
        int last = limit;
        int at = position;
        long lines = recordLine;
        count = 0;
        fault = null;
        while (true) {
            if (count == starts.length) {
                grow();
            }
            boolean inQuotes = at < last && bytes[at] == QUOTE;
            quoted[count] = inQuotes;
            sawQuotes |= inQuotes;
            if (inQuotes) {
                at++;
                starts[count] = at;
                long opened = lines;
                boolean separators = false;
                while (true) {
                    if (at == last) {
                        if (!ended) {
                            return -1;
                        }
                        fault = "the quote that opens column " + (count + 1) + " is not closed";
                        ends[count++] = at;
                        line = lines + 1;
                        return at;
                    }
                    byte each = bytes[at];
                    if (each == QUOTE) {
                        if (at + 1 == last && !ended) {
                            return -1;
                        }
                        if (at + 1 < last && bytes[at + 1] == QUOTE) {
                            at++;
                        } else {
                            break;
                        }
                    } else if (each == '\n' || each == '\r' && at + 1 < last && bytes[at + 1] != '\n') {
                        lines++;
                    } else if (each == separator) {
                        separators = true;
                    }
                    at++;
                }
                if (lines > opened && separators) {
                    fault = "column " + (count + 1) + " runs in quotes to line " + lines
                            + " and holds what looks like rows; is a quote missing?";
                }
                ends[count] = at++;
                int behind = at;
                while (at < last && bytes[at] != separator && bytes[at] != '\n' && bytes[at] != '\r') {
                    at++;
                }
                if (at > behind && !blank(bytes, behind, at)) {
                    fault = "column " + (count + 1) + " has more behind its closing quote";
                }
            } else {
                starts[count] = at;
                byte cut = separator;
                while (at < last) {
                    byte each = bytes[at];
                    if (each == cut || each <= '\r' && (each == '\n' || each == '\r')) {
                        break;
                    }
                    at++;
                }
                ends[count] = at;
            }
            if (at == last && !ended) {
                return -1;
            }
            count++;
            if (at == last) {
                line = lines + 1;
                return at;
            }
            byte each = bytes[at++];
            if (each == separator) {
                continue;
            }
            if (each == '\r') {
                if (at == last && !ended) {
                    return -1;
                }
                if (at < last && bytes[at] == '\n') {
                    at++;
                }
            }
            line = lines + 1;
            return at;
        }
    }

    private static boolean blank(byte[] bytes, int from, int to) {
        for (int at = from; at < to; at++) {
            if (bytes[at] != ' ' && bytes[at] != '\t') {
                return false;
            }
        }
        return true;
    }

    private void grow() {
        starts = Arrays.copyOf(starts, 2 * count);
        ends = Arrays.copyOf(ends, 2 * count);
        quoted = Arrays.copyOf(quoted, 2 * count);
    }

    /** Line of the file on which the current record begins, from 1. */
    long line() {
        return recordLine;
    }

    /** Lines that were read up to the end of the current record. */
    long linesRead() {
        return line - 1;
    }

    /** Number of fields of the current record. */
    int count() {
        return count;
    }

    /** True when any field so far was in quotes. */
    boolean sawQuotes() {
        return sawQuotes;
    }

    /** What is wrong with the record as a whole; null when nothing is. */
    String fault() {
        return fault;
    }

    byte[] bytes() {
        return buffer;
    }

    /** First byte of a field that is no blank. */
    int start(int column) {
        int at = starts[column];
        int end = ends[column];
        if (at < end && buffer[at] > ' ') {
            return at;
        }
        while (at < end && (buffer[at] == ' ' || buffer[at] == '\t')) {
            at++;
        }
        return at;
    }

    /** Behind the last byte of a field that is no blank. */
    int end(int column) {
        int at = ends[column];
        if (at > starts[column] && buffer[at - 1] > ' ') {
            return at;
        }
        int least = start(column);
        while (at > least && (buffer[at - 1] == ' ' || buffer[at - 1] == '\t')) {
            at--;
        }
        return at;
    }

    /** True when the record has no such field, or nothing but blanks in it. */
    boolean isBlank(int column) {
        return column < 0 || column >= count || start(column) >= end(column);
    }

    /** The text of a field, without its quotes. */
    String text(int column) {
        String raw = new String(buffer, starts[column], ends[column] - starts[column], StandardCharsets.UTF_8);
        return quoted[column] ? raw.replace("\"\"", "\"") : raw;
    }

    /** All fields of the record. */
    List<String> fields() {
        List<String> fields = new ArrayList<>(count);
        for (int column = 0; column < count; column++) {
            fields.add(text(column));
        }
        return fields;
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
