package dev.yardarm.chart;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.label.Box;
import dev.yardarm.chart.label.Label;
import dev.yardarm.chart.label.Label.Rank;
import dev.yardarm.chart.label.Label.Spot;
import dev.yardarm.chart.label.Labels;
import dev.yardarm.chart.surface.Surface.Align;
import dev.yardarm.chart.surface.Surface.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Texts take places of their own; the more important first; what has none is counted. */
class LabelsTest {
    private static final Box AREA = new Box(0, 0, 400, 300);
    private final RecordingSurface surface = new RecordingSurface(1);
    private final Labels labels = new Labels();

    @Test
    void aTextStandsWhereItWouldLikeTo() {
        labels.begin(300);
        labels.add(label("entry 104.20", Rank.PLAN, 0, new Spot(50, 100, Align.LEFT)));
        labels.place(surface);
        Box box = labels.placed().get(0).box();
        assertThat(box.left()).isEqualTo(47);
        assertThat(box.right()).isEqualTo(50 + 12 * 6.5 + 3);
        assertThat((box.top() + box.bottom()) / 2).isEqualTo(100);
        assertThat(labels.counts()).isEmpty();
    }

    @Test
    void theMoreImportantStaysAndTheOtherGivesWay() {
        labels.begin(300);
        labels.add(label("later", Rank.LEVEL, 0, new Spot(50, 100, Align.LEFT), new Spot(50, 120, Align.LEFT)));
        labels.add(label("plan", Rank.PLAN, 99, new Spot(55, 101, Align.LEFT)));
        labels.place(surface);
        assertThat(labels.placed()).extracting(Labels.Placed::text).containsExactly("plan", "later");
        assertThat(labels.placed().get(1).box().top()).isEqualTo(113);
    }

    @Test
    void ofEquallyImportantOnesTheNearerToPriceStays() {
        labels.begin(300);
        labels.add(label("far", Rank.LEVEL, 80, new Spot(50, 100, Align.LEFT)));
        labels.add(label("near", Rank.LEVEL, 8, new Spot(50, 100, Align.LEFT)));
        labels.place(surface);
        assertThat(labels.placed()).extracting(Labels.Placed::text).containsExactly("near");
        assertThat(labels.counts()).hasSize(1);
        assertThat(labels.counts().get(0).texts()).containsExactly("far");
    }

    @Test
    void whatDoesNotFitIsShortenedBeforeItIsCounted() {
        labels.begin(300);
        labels.reserve(new Box(100, 0, 400, 300));
        labels.add(new Label(
                "r",
                "0.382  199.16",
                "0.382",
                Type.SMALL,
                1,
                0,
                Rank.LEVEL,
                0,
                AREA,
                List.of(new Spot(95, 100, Align.RIGHT))));
        labels.add(new Label(
                "r",
                "0.382  199.16 and more",
                "0.382",
                Type.SMALL,
                1,
                0,
                Rank.LEVEL,
                1,
                AREA,
                List.of(new Spot(95, 150, Align.RIGHT))));
        labels.place(surface);
        assertThat(labels.placed()).extracting(Labels.Placed::text).containsExactly("0.382  199.16", "0.382");
    }

    @Test
    void aSpareTextIsLeftOutInSilence() {
        labels.begin(300);
        labels.reserve(AREA);
        labels.add(label("50.0", Rank.SPARE, 0, new Spot(5, 100, Align.LEFT)));
        labels.place(surface);
        assertThat(labels.placed()).isEmpty();
        assertThat(labels.counts()).isEmpty();
    }

    @Test
    void whenEverythingIsTakenTheNumberTakesThePlaceOfTheLastTextAndCountsIt() {
        labels.begin(300);
        Box small = new Box(0, 0, 120, 40);
        for (int number = 0; number < 12; number++) {
            labels.add(new Label(
                    "",
                    "level number " + number,
                    "level number " + number,
                    Type.SMALL,
                    1,
                    0,
                    Rank.LEVEL,
                    number,
                    small,
                    List.of(new Spot(5, 10, Align.LEFT), new Spot(5, 30, Align.LEFT))));
        }
        labels.place(surface);
        int counted =
                labels.counts().stream().mapToInt(each -> each.texts().size()).sum();
        assertThat(labels.placed().size() + counted).isEqualTo(12);
        assertThat(labels.counts()).isNotEmpty();
    }

    @Property(tries = 60)
    void noTwoOverlapAndNoneIsLost(@ForAll @IntRange(max = 600) int many, @ForAll long seed) {
        Random random = new Random(seed);
        labels.begin(300);
        List<Box> reserved = new ArrayList<>();
        for (int number = 0; number < 6; number++) {
            Box box = new Box(number * 60, random.nextInt(200), number * 60 + 50, 250);
            reserved.add(box);
            labels.reserve(box);
        }
        for (int number = 0; number < many; number++) {
            List<Spot> spots = new ArrayList<>();
            for (int spot = 0; spot < 1 + random.nextInt(8); spot++) {
                spots.add(new Spot(
                        random.nextInt(500) - 50, random.nextInt(360) - 30, Align.values()[random.nextInt(3)]));
            }
            String text = "x".repeat(1 + random.nextInt(30));
            labels.add(new Label(
                    "",
                    text,
                    text.substring(0, 1),
                    Type.values()[random.nextInt(3)],
                    1,
                    0,
                    Rank.values()[random.nextInt(6)],
                    random.nextInt(300),
                    AREA,
                    spots));
        }
        labels.place(surface);
        List<Box> boxes = new ArrayList<>();
        labels.placed().forEach(each -> boxes.add(each.box()));
        labels.counts().forEach(each -> boxes.add(each.box()));
        for (int one = 0; one < boxes.size(); one++) {
            assertThat(AREA.holds(boxes.get(one))).isTrue();
            for (int other = 0; other < one; other++) {
                assertThat(boxes.get(one).meets(boxes.get(other))).isFalse();
            }
            Box box = boxes.get(one);
            assertThat(reserved).noneMatch(box::meets);
        }
        int counted =
                labels.counts().stream().mapToInt(each -> each.texts().size()).sum();
        assertThat(labels.placed().size() + counted).isEqualTo(many);
    }

    private static Label label(String text, Rank rank, double nearness, Spot... spots) {
        return new Label("", text, text, Type.SMALL, 1, 0, rank, nearness, AREA, List.of(spots));
    }
}
