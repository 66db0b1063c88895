package dev.yardarm.data;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.data.document.DocumentKind;
import dev.yardarm.data.document.DocumentStore;
import dev.yardarm.data.document.Documents;
import dev.yardarm.data.document.DrawingEntry;
import dev.yardarm.data.document.DrawingLook;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** Any drawing is written and read without a difference. */
class DrawingEntryPropertyTest {
    private static final InstrumentId KTRL = new InstrumentId("halcyon", "KTRL");

    @Provide
    Arbitrary<String> words() {
        return Arbitraries.strings().ofMaxLength(20);
    }

    private static Drawing random(Random random, int number, String words) {
        List<Figure> figures = List.copyOf(Figures.shared().all());
        Figure figure = figures.get(random.nextInt(figures.size()));
        int points = figure.least() + random.nextInt(Math.min(4, figure.most() - figure.least() + 1));
        List<Anchor> anchors = new ArrayList<>();
        for (int point = 0; point < points; point++) {
            anchors.add(new Anchor(
                    random.nextLong() / 4096,
                    random.nextBoolean() ? random.nextDouble() * 1e5 : Math.rint(random.nextDouble() * 1e6) / 100));
        }
        Map<String, String> options = new LinkedHashMap<>();
        for (Setting option : figure.options()) {
            if (option instanceof Setting.Words && random.nextBoolean()) {
                options.put(option.name(), words);
            } else if (option instanceof Setting.Numbers && random.nextBoolean()) {
                options.put(option.name(), "0.25 " + random.nextInt(9));
            }
        }
        Drawing.Style style = new Drawing.Style(
                random.nextInt(8),
                0.5 + random.nextInt(8) / 2.0,
                random.nextInt(11) / 10.0,
                Drawing.Style.Dash.values()[random.nextInt(3)],
                random.nextInt(11) / 10.0,
                Drawing.Style.Words.values()[random.nextInt(6)]);
        Drawing.Place place = new Drawing.Place(
                random.nextBoolean() ? words : "",
                random.nextBoolean() ? "second" : "",
                random.nextBoolean() ? "g" : "",
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextBoolean() ? List.of() : List.of(Timeframe.DAY, Timeframe.HOUR),
                random.nextBoolean(),
                random.nextBoolean() ? "chart" : "");
        return new Drawing(
                "d" + number,
                figure.name(),
                Timeframe.STANDARD.get(random.nextInt(Timeframe.STANDARD.size())),
                anchors,
                random.nextBoolean(),
                options,
                style,
                place);
    }

    @Property(tries = 150)
    void whatIsWrittenIsReadAndWrittenAgainAsTheSameBytes(@ForAll long seed, @ForAll("words") String words)
            throws IOException {
        Random random = new Random(seed);
        List<Drawing> drawings = new ArrayList<>();
        for (int number = 0; number < 8; number++) {
            drawings.add(random(random, number, words));
        }
        Documents.Tracing whole = new Documents.Tracing(
                KTRL, drawings.stream().map(DrawingEntry::of).toList(), words, List.of("main"), random.nextBoolean());
        String text = DocumentStore.text(DocumentKind.TRACING, whole);
        Documents.Tracing read = DocumentStore.parse(DocumentKind.TRACING, text);
        assertThat(read.drawings().stream().map(DrawingEntry::drawing).toList()).isEqualTo(drawings);
        assertThat(DocumentStore.text(
                        DocumentKind.TRACING,
                        new Documents.Tracing(
                                KTRL,
                                read.drawings().stream()
                                        .map(entry -> DrawingEntry.of(entry.drawing()))
                                        .toList(),
                                read.current(),
                                read.hidden(),
                                read.allHidden())))
                .isEqualTo(text);
    }

    @Property(tries = 100)
    void aLookTakenFromADrawingAndGivenToItChangesNothing(@ForAll long seed, @ForAll("words") String words) {
        Random random = new Random(seed);
        Drawing drawing = random(random, 1, words);
        DrawingLook look = DrawingLook.of(drawing);
        assertThat(look.on(drawing)).isEqualTo(drawing);
        Drawing other = random(random, 2, words);
        assertThat(look.on(other).style()).isEqualTo(drawing.style());
        assertThat(look.on(other).anchors()).isEqualTo(other.anchors());
        assertThat(look.on(other).place()).isEqualTo(other.place());
    }
}
