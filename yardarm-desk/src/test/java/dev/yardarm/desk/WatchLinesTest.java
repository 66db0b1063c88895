package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.scenario.Scenario;
import dev.yardarm.desk.line.BoardLines;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.line.FeedLines;
import dev.yardarm.desk.line.Hands;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.line.Proposal;
import dev.yardarm.desk.line.ScenarioLines;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Lines about the board, scenarios and the line trades come over: read, offered with their meaning, and carried out. */
class WatchLinesTest extends AtADesk {
    private CommandLanguage language;
    private Hands hands;
    private Instrument ktrl;

    @BeforeEach
    void open() {
        language = new CommandLanguage(
                desk.directory(), Language::builtIn, WordsForTests::all, List::of, () -> desk.books().lists().stream()
                        .map(NamedList::name)
                        .toList());
        ktrl = desk.directory().byCode("KTRL").orElseThrow();
        hands = mock(Hands.class);
        when(hands.desk()).thenReturn(desk);
        when(hands.inHand()).thenReturn(Optional.of(ktrl));
        when(hands.lastPrice(any())).thenReturn(103.8);
    }

    private Proposal first(String line) {
        return language.read(line).get(0);
    }

    private void say(String line) {
        Proposal found = first(line);
        assertThat(found.command()).as(line + ": " + found.detail()).isNotNull();
        front.run(() -> found.command().carryOut(hands));
        front.run(() -> {});
    }

    private String told() {
        return front.get(() -> String.join("\n", told));
    }

    private List<String> scenarios() {
        return front.get(() -> desk.scenarioWork().of(ktrl.id()).all().stream()
                .map(Scenario::title)
                .toList());
    }

    @Test
    void theBoardTakesListsAndColumns() {
        assertThat(first("board large companies, indices").command())
                .isEqualTo(new BoardLines.Show(List.of("large companies", "indices"), false));
        say("board large companies, indices");
        verify(hands).board(List.of("Large companies", "Indices"), false);
        say("wall all companies");
        verify(hands).board(List.of("All companies"), true);
        say("board nowhere, indices");
        assertThat(told()).contains("There is no list nowhere. There are: Evening round");
        say("column rsi(close, 14)");
        verify(hands).boardColumn("rsi(close, 14)");
        assertThat(first("column rsii(close, 14)").command()).isNull();
        assertThat(first("column rsii(close, 14)").detail()).contains("rsii");
        assertThat(first("column").text()).isEqualTo("column ");
        assertThat(first("half of PV60").detail()).isEqualTo("the members that make up half of PV60");
    }

    @Test
    void scenariosAreMadeWeighedStruckOutAndTakenBack() {
        say("scenario \"fifth wave up\" 60% to 112, 118, wrong below 99");
        say("scenario flat 25% to 101, wrong above 109.5");
        assertThat(scenarios()).containsExactly("fifth wave up", "flat");
        assertThat(first("scenario up to 112").detail()).contains("what proves it wrong");
        assertThat(first("scenario").command()).isNull();
        assertThat(first("share of flat 40%").command()).isEqualTo(new ScenarioLines.Share("flat", 40));
        say("share of \"flat\" 40%");
        String flat =
                front.get(() -> desk.scenarioWork().of(ktrl.id()).all().get(1).id());
        assertThat(front.get(() -> desk.scenarioWork().of(ktrl.id()).share(flat)))
                .isEqualTo(40);
        say("strike out flat");
        assertThat(front.get(() -> desk.scenarioWork().of(ktrl.id()).struck(flat)))
                .isPresent();
        say("take back \"flat\"");
        assertThat(front.get(() -> desk.scenarioWork().of(ktrl.id()).struck(flat)))
                .isEmpty();
        say("remove scenario fifth wave up");
        assertThat(scenarios()).containsExactly("flat");
        say("scenario MARN other 25% to 101, wrong above 109.5");
        assertThat(scenarios()).containsExactly("flat");
        Instrument marn = desk.directory().byCode("MARN").orElseThrow();
        assertThat(front.get(() -> desk.scenarioWork().of(marn.id()).all()))
                .extracting(Scenario::title)
                .containsExactly("other");
        when(hands.inHand()).thenReturn(Optional.empty());
        say("strike flat");
        say("share flat 20%");
        say("scenario other 25% to 101, wrong above 109.5");
        assertThat(told()).contains("Open a chart first");
        assertThat(scenarios()).containsExactly("flat");
    }

    @Test
    void anAlertOnEachOfAListTakesItsNameAsItIsShown() {
        assertThat(first("alert each of Evening round rsi(14) < 45 on 10m each time")
                        .command())
                .isEqualTo(new LineCommand.AlertLine("rsi(14) < 45 on 10m each time", "", "Evening round"));
        assertThat(first("alert on each of evening round closes above ema(20)").detail())
                .startsWith("on each of Evening round: ");
        assertThat(first("alert each of \"Evening round\" rsi(14) < 45").command())
                .isEqualTo(new LineCommand.AlertLine("rsi(14) < 45", "", "Evening round"));
        assertThat(first("alert each of Swing rsi(14) < 45").command())
                .isEqualTo(new LineCommand.AlertLine("rsi(14) < 45", "", "Swing"));
        assertThat(first("alert each of Evening round").command()).isNull();
        assertThat(first("alert each of Swing").detail()).contains("what to wait for");
    }

    @Test
    void anAlertIsReadAsItIsSaid() {
        assertThat(first("alert when KTRL goes over 105").command())
                .isEqualTo(new LineCommand.AlertLine("goes over 105", "KTRL", ""));
        assertThat(first("alert me if price closes below 98 on daily").command())
                .isEqualTo(new LineCommand.AlertLine("price closes below 98 on daily", "", ""));
        assertThat(first("tell me when KTRL touches 103").command())
                .isEqualTo(new LineCommand.AlertLine("touches 103", "KTRL", ""));
        assertThat(first("alert ktrl goes over 105").command())
                .isEqualTo(new LineCommand.AlertLine("goes over 105", "KTRL", ""));
        assertThat(first("alert nobody goes over 105").command()).isNull();
        // It has a meaning on the bars of the chart, if not on days.
        assertThat(first("alert reaches the high of the day").command())
                .isEqualTo(new LineCommand.AlertLine("reaches the high of the day", "", ""));
        assertThat(first("alert when last (rsi(14) < 30) < 5").detail()).doesNotStartWith("'last");
    }

    @Test
    void theMarketRunsFasterAndPausesByALine() {
        say("speed 60");
        assertThat(desk.clock().speed()).isEqualTo(60);
        assertThat(desk.clock().isRunning()).isTrue();
        say("speed 2.5x");
        assertThat(desk.clock().speed()).isEqualTo(2.5);
        say("speed 0");
        assertThat(desk.clock().isRunning()).isFalse();
        assertThat(desk.clock().speed()).isEqualTo(2.5);
        assertThat(first("speed").command()).isNull();
        assertThat(first("speed 90000").detail()).contains("3600");
        assertThat(first("speed -1").command()).isNull();
        assertThat(first("speed lines").command()).isNotInstanceOf(FeedLines.Speed.class);
    }

    @Test
    void theLineIsMadeBadAndWellByHandAndByScript() throws Exception {
        long now = desk.clock().now();
        say("feed cut for 5m");
        assertThat(desk.feed().orElseThrow().words(now)).isEqualTo("the line is cut");
        assertThat(told()).contains("Simulated fault: the line is cut. Type feed well to end it.");
        say("feed well");
        assertThat(desk.feed().orElseThrow().words(now + 1)).isEmpty();
        say("feed fill");
        assertThat(told()).contains("What was lost is filled in.");
        assertThat(first("feed").command()).isNull();
        assertThat(first("feed explode").detail()).contains("is no fault of the line");
        Path script = Files.writeString(home.resolve("bad.txt"), "0s delay 20s for 10m\n5m cut for 1m\n");
        assertThat(first("feed script " + script).command()).isEqualTo(new FeedLines.Script(script));
        say("feed script " + script);
        front.await("its faults", () -> String.join("\n", told).contains("2 faults of the simulated line come"));
        assertThat(desk.feed().orElseThrow().words(now + 1)).contains("20 s late");
        say("feed script " + home.resolve("nowhere.txt"));
        front.await("it is told", () -> String.join("\n", told).contains("it is not there"));
        Files.writeString(script, "whenever cut\n");
        say("feed script " + script);
        front.await("the line of the fault", () -> String.join("\n", told).contains("line 1: "));
    }
}
