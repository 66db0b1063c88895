package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import dev.yardarm.core.formula.Completion;
import dev.yardarm.core.formula.Highlight;
import dev.yardarm.core.own.TextDifference;
import dev.yardarm.core.plain.PlainInterpreter;
import dev.yardarm.core.plain.Reading;
import dev.yardarm.desk.line.BlendLines;
import dev.yardarm.desk.line.Hands;
import dev.yardarm.desk.own.OwnDesk;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The editor of definitions without a window. */
class OwnDeskTest extends OnAChart {
    private static final String MEAN =
            "define \"My mean\" in price\nsetting length = 5 from 2 to 50\nline sma(close, length)\n";

    private OwnDesk editing;

    private OwnDesk editing() {
        if (editing == null) {
            editing = new OwnDesk(desk, () -> room, new PlainInterpreter());
        }
        return editing;
    }

    @AfterEach
    void closeEditor() {
        if (editing != null) {
            front.run(editing::close);
        }
    }

    @Test
    void whatIsTypedIsTriedOutAndAFaultLeavesTheLastGoodDraft() {
        front.run(() -> {
            editing().begin(MEAN);
            assertThat(editing().name()).isEmpty();
            assertThat(editing().isChanged()).isTrue();
            assertThat(editing().draft().name()).isEqualTo("my_mean");
            assertThat(room.chart().drawnIndicators()).hasSize(1);
            editing().setText(MEAN.replace("sma", "smaa"));
            assertThat(editing().faults()).hasSize(1);
            assertThat(editing().told(editing().faults().get(0))).startsWith("line 3, position 6");
            assertThat(room.chart().drawnIndicators()).hasSize(1);
            assertThatThrownBy(() -> editing().putOnChart("")).hasMessageContaining("1 fault");
            editing().setText("");
            assertThat(editing().faults()).isEmpty();
            assertThat(editing().draft()).isNull();
            assertThat(room.chart().drawnIndicators()).isEmpty();
            assertThatThrownBy(() -> editing().save("")).hasMessageContaining("no name yet");
        });
    }

    @Test
    void whatWasNotSavedIsGoneOnWith() {
        front.run(() -> {
            editing().begin(MEAN);
            assertThat(editing().unsaved()).isEqualTo(MEAN);
            editing().save("");
            assertThat(editing().unsaved()).isEmpty();
            String longer = MEAN.replace("= 5", "= 9");
            editing().resume(longer);
            assertThat(editing().name()).isEqualTo("my_mean");
            assertThat(editing().unsaved()).isEqualTo(longer);
            editing().setText(MEAN);
            assertThat(editing().unsaved()).isEmpty();
            editing().resume("define \"Half");
            assertThat(editing().name()).isEmpty();
            assertThat(editing().faults()).isNotEmpty();
        });
    }

    @Test
    void itIsSavedPutOnTheChartOpenedAndBroughtBack() {
        front.run(() -> {
            editing().begin(MEAN);
            editing().putOnChart("first");
            assertThat(room.chart().indicators()).hasSize(1);
            assertThat(editing().isChanged()).isFalse();
            assertThat(editing().versions()).hasSize(1);
            editing().setText(MEAN.replace("= 5", "= 9"));
            editing().save("longer");
            editing().putOnChart("");
            assertThat(room.chart().indicators()).hasSize(1);
            assertThat(editing().versions()).hasSize(2);
            assertThat(editing().versions().get(0).note()).isEqualTo("longer");
            assertThat(editing().beside(editing().versions().get(1)))
                    .extracting(TextDifference.Row::kind)
                    .contains(TextDifference.Kind.CHANGED);
            editing().bringBack(editing().versions().get(1));
            assertThat(editing().text()).isEqualTo(MEAN);
            editing().begin("");
            assertThat(editing().versions()).isEmpty();
            editing().open("my_mean");
            assertThat(editing().text()).contains("= 9");
            assertThat(desk.ownWork().find("my_mean").orElseThrow().title()).isEqualTo("My mean");
        });
    }

    @Test
    void sentencesAreShownBeforeTheyAreTaken() {
        front.run(() -> {
            editing().begin("");
            Reading reading = editing().say("draw a 20-bar average");
            assertThat(reading.understood()).isNotEmpty();
            assertThat(editing().proposed())
                    .extracting(TextDifference.Row::kind)
                    .contains(TextDifference.Kind.NEW);
            assertThat(editing().text()).isEmpty();
            editing().leave();
            assertThat(editing().reading()).isNull();
            assertThat(editing().proposed()).isEmpty();
            editing().say("draw a 20-bar average");
            editing().take();
            assertThat(editing().text()).contains("line average");
            assertThat(editing().sentence()).isEqualTo("draw a 20-bar average");
            assertThat(editing().completions(editing().text().length()))
                    .extracting(Completion::text)
                    .contains("line", "tint");
            editing().setText("define \"A\" in price\nline close of #KT");
            assertThat(editing().completions(editing().text().length()))
                    .extracting(Completion::text)
                    .contains("#KTRL");
            assertThat(editing().help(editing().text().indexOf("close"))).contains("Fields of the bar");
            assertThat(editing().pieces()).extracting(Highlight.Piece::kind).contains(Highlight.Kind.INSTRUMENT);
        });
    }

    @Test
    void theDraftMovesWithTheChartInHand() {
        front.run(() -> {
            editing().begin(MEAN);
            var first = room;
            layouts.split(true);
            room = layouts.front().charts().get(1);
            editing().tryOut();
            assertThat(first.chart().drawnIndicators()).isEmpty();
            assertThat(room.chart().drawnIndicators()).hasSize(1);
            editing().close();
            assertThat(room.chart().drawnIndicators()).isEmpty();
        });
    }

    @Test
    void linesAboutBlendsAreCarriedOut() {
        Hands hands = mock(Hands.class);
        when(hands.desk()).thenReturn(desk);
        when(hands.layouts()).thenReturn(layouts);
        when(hands.room()).thenReturn(room);
        front.run(() -> {
            new BlendLines.Make("KTMR", "", "#KTRL / #MARN").carryOut(hands);
            assertThat(room.chart().instrument().orElseThrow().code()).isEqualTo("KTMR");
            new BlendLines.Make("KTRL", "", "#MARN * 2").carryOut(hands);
            new BlendLines.Delete("NONE").carryOut(hands);
            new BlendLines.Delete("KTMR").carryOut(hands);
            assertThat(desk.blendWork().all()).isEmpty();
            room.undo();
            assertThat(desk.blendWork().find("ktmr")).isPresent();
            assertThat(desk.blendWork()
                            .of(room.chart().instrument().orElseThrow().id()))
                    .isPresent();
        });
        front.await(
                "what was said",
                () -> notices.stream().anyMatch(each -> each.contains("worked out from closes"))
                        && notices.stream().anyMatch(each -> each.contains("is not made"))
                        && notices.stream().anyMatch(each -> each.contains("no blend called NONE")));
    }

    @Test
    void aBlendReadsAgainAfterARestartAndOneThatCannotBeReadIsTold() throws Exception {
        front.run(() -> desk.blendWork().make("KTMR", "Over", "#KTRL / #MARN"));
        front.run(layouts::close);
        desk.close();
        var file = home.resolve("home").resolve("documents").resolve("blends.json");
        var text = java.nio.file.Files.readString(file);
        java.nio.file.Files.writeString(file, text.replace("#KTRL / #MARN", "#KTRL / newword(#MARN)"));
        desk = new Desk(new Desk.Options(home.resolve("home"), true, 1, true), front);
        front.run(() -> {
            layouts = new dev.yardarm.desk.room.layout.Layouts(desk);
            room = layouts.active();
            assertThat(desk.blendWork().find("KTMR").orElseThrow().name()).isEqualTo("Over");
            desk.onNotice(notices::add);
            room.open(instrument("KTMR"), dev.yardarm.core.bars.Timeframe.DAY);
        });
        front.await("why there are no bars", () -> room.problem().contains("cannot be made"));
    }
}
