package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.yardarm.data.text.TextFile;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TextFileTest {
    private static final String TEXT = "define \"M\u00fcde\" in price\r\nline close\r\n";

    @TempDir
    private Path folder;

    private Path file(byte[] bytes) throws IOException {
        return Files.write(folder.resolve("some.txt"), bytes);
    }

    @Test
    void aTextIsReadAsTheProgramsOfPeopleWriteIt() throws IOException {
        for (String marked : List.of(TEXT, "\uFEFF" + TEXT)) {
            assertThat(TextFile.read(file(marked.getBytes(StandardCharsets.UTF_8))))
                    .isEqualTo(TEXT);
        }
        assertThat(TextFile.read(file(("\uFEFF" + TEXT).getBytes(StandardCharsets.UTF_16LE))))
                .isEqualTo(TEXT);
        assertThat(TextFile.read(file(("\uFEFF" + TEXT).getBytes(StandardCharsets.UTF_16BE))))
                .isEqualTo(TEXT);
        assertThat(TextFile.read(file(new byte[0]))).isEmpty();
        assertThat(TextFile.read(file(new byte[] {'x'}))).isEqualTo("x");
    }

    @Test
    void whatIsNoTextIsRefusedInWords() throws IOException {
        assertThatThrownBy(() -> TextFile.read(folder.resolve("none.txt"))).hasMessage("there is no such file");
        assertThatThrownBy(() -> TextFile.read(folder)).hasMessage("it is a folder");
        Path latin = file(TEXT.getBytes(StandardCharsets.ISO_8859_1));
        assertThatThrownBy(() -> TextFile.read(latin)).hasMessage("it is no text in UTF-8");
        Path binary = file(new byte[] {'P', 'K', 0, 3});
        assertThatThrownBy(() -> TextFile.read(binary)).hasMessage("it is no text");
        Path large = folder.resolve("large.txt");
        try (RandomAccessFile made = new RandomAccessFile(large.toFile(), "rw")) {
            made.setLength(TextFile.MOST_BYTES + 1);
        }
        assertThatThrownBy(() -> TextFile.read(large)).hasMessageContaining("larger than a text may be");
    }

    @Test
    void aFileAppearsWholeAndOneThatCannotBeWrittenLeavesNothing() throws IOException {
        Path file = file("old".getBytes(StandardCharsets.UTF_8));
        TextFile.write(file, "new".getBytes(StandardCharsets.UTF_8));
        assertThat(file).hasContent("new");
        Path inFolder = Files.createDirectories(folder.resolve("full/within")).getParent();
        assertThatThrownBy(() -> TextFile.write(inFolder, new byte[] {1})).isInstanceOf(IOException.class);
        assertThatThrownBy(() -> TextFile.write(folder.resolve("none/some.txt"), new byte[] {1}))
                .hasMessage("its folder does not exist");
        try (var left = Files.list(folder)) {
            assertThat(left.map(each -> each.getFileName().toString())).containsExactlyInAnyOrder("some.txt", "full");
        }
    }
}
