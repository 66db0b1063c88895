package dev.yardarm.desk.own;

import dev.yardarm.data.text.TextFile;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.work.Lane;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;

/** Definitions as text files that traders give one another; read and written behind, what came of it is told. */
public final class OwnFiles {
    private final Desk desk;

    public OwnFiles(Desk desk) {
        this.desk = desk;
    }

    /** Takes the definitions of a file in, one step of undo. */
    public void takeIn(Path file) {
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "read " + file,
                        "",
                        job -> TextFile.read(file),
                        text -> desk.ownWork().takeIn(text),
                        failed -> desk.tell(file + " cannot be taken in: " + failed.getMessage() + "."));
    }

    /** Writes definitions into a file, one after the other. */
    public void giveOut(List<String> definitions, Path file) {
        byte[] content = definitions.stream()
                .map(each -> each.strip() + "\n")
                .collect(Collectors.joining("\n"))
                .getBytes(StandardCharsets.UTF_8);
        desk.scheduler()
                .start(
                        Lane.BEHIND,
                        "save " + file,
                        "",
                        job -> {
                            TextFile.write(file, content);
                            return file;
                        },
                        done -> desk.tell(
                                definitions.size() + (definitions.size() == 1 ? " definition" : " definitions")
                                        + " written to " + file + "."),
                        failed -> desk.tell(file + " cannot be written: " + failed.getMessage() + "."));
    }
}
