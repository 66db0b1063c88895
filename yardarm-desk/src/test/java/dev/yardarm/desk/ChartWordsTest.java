package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.BarForm;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.core.source.RollRule;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.line.KeptLines;
import dev.yardarm.desk.line.LayoutLines;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.line.ListLines;
import dev.yardarm.desk.line.OutsideLines;
import dev.yardarm.desk.line.Proposal;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.room.layout.LinkRules.Shared;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What lines about the chart mean, and what is said about those that mean nothing. */
class ChartWordsTest {
    private static final CommandLanguage LANGUAGE = new CommandLanguage(
            new Directory(List.of(new SimulatedMarket(World.halcyon(), 1))), Language::builtIn, WordsForTests::all);

    private static Proposal first(String line) {
        return LANGUAGE.read(line).stream()
                .filter(each -> each.command() != null)
                .findFirst()
                .orElseThrow(() -> new AssertionError("no command for " + line));
    }

    private static LineCommand command(String line) {
        return first(line).command();
    }

    private static BarRequest changed(String line) {
        return ((LineCommand.ChangeRequest) command(line)).change().apply(BarRequest.of(Timeframe.DAY));
    }

    private static ScaleChoice scaled(String line) {
        return ((LineCommand.ChangeScale) command(line)).change().apply(ScaleChoice.STANDARD);
    }

    @ParameterizedTest
    @CsvSource({
        "ticks 500,ticks:500",
        "volume 5000,volume:5000",
        "range 20,range:20",
        "reversal 15,reversal:15",
        "brick 20,brick:20",
        "brick atr14 D,brick:atr14@D",
        "line-break 3 W,line-break:3@W",
        "point-figure 1%x3 D,point-figure:1%x3@D",
        "point-figure 10x1:hl,point-figure:10x1:hl",
        "bars range:8,range:8",
        "bars heikin-ashi@5m,heikin-ashi@5m"
    })
    void kindsOfBars(String line, String rule) {
        assertThat(command(line)).isEqualTo(new LineCommand.SetRule(BarRule.parse(rule)));
    }

    @Test
    void looksOfIndicators() {
        assertThat(command("look save quick one")).isEqualTo(new KeptLines.OfLook(KeptLines.Kept.SAVE, "quick one"));
        assertThat(command("look quick")).isEqualTo(new KeptLines.OfLook(KeptLines.Kept.APPLY, "quick"));
        assertThat(command("look delete quick")).isEqualTo(new KeptLines.OfLook(KeptLines.Kept.DELETE, "quick"));
    }

    @Test
    void formsHaveTheirWords() {
        assertThat(command("averaged")).isEqualTo(new LineCommand.SetForm(BarForm.AVERAGED));
        assertThat(command("closes")).isEqualTo(new LineCommand.SetForm(BarForm.LINE));
        assertThat(command("bars without")).isEqualTo(new LineCommand.SetForm(BarForm.BARS_WITHOUT_OPEN));
        assertThat(command("high-low")).isEqualTo(new LineCommand.SetForm(BarForm.COLUMNS));
        assertThat(command("volume")).isEqualTo(new LineCommand.Plain(WordsForTests.of("volume")));
    }

    @Test
    void sessionsDaysContractsAndAdjustments() {
        assertThat(changed("session evening").part()).isEqualTo(SessionPart.EVENING);
        assertThat(changed("session 9:00-12:30").part()).hasToString("09:00-12:30");
        assertThat(changed("days 20").days()).isEqualTo(20);
        assertThat(changed("days all").days()).isZero();
        assertThat(changed("roll 5 days before").roll()).isEqualTo(RollRule.daysBefore(5));
        assertThat(changed("join ratio").joint()).isEqualTo(BarRequest.Joint.RATIO);
        assertThat(changed("splits off").splits()).isFalse();
        assertThat(changed("dividends on").dividends()).isTrue();
        assertThat(changed("gaps kept").gapsKept()).isTrue();
        assertThat(changed("gaps closed").gapsKept()).isFalse();
        assertThat(command("zone UTC")).isEqualTo(new LineCommand.SetZone(ZoneId.of("UTC")));
        assertThat(command("zone exchange")).isEqualTo(new LineCommand.SetZone(null));
        assertThat(command("source own")).isEqualTo(new LineCommand.ChangeSource("own"));
    }

    @Test
    void scalesSpansAndPlaces() {
        assertThat(scaled("percent").mode()).isEqualTo(ScaleChoice.Mode.PERCENT);
        assertThat(scaled("index 100").mode()).isEqualTo(ScaleChoice.Mode.INDEXED);
        assertThat(scaled("invert").inverted()).isTrue();
        assertThat(scaled("fit all").fit()).isEqualTo(ScaleChoice.Fit.ALL);
        assertThat(command("3 months")).isEqualTo(new LineCommand.ShowSpan("3 months"));
        assertThat(command("go to 2026-03-02")).isEqualTo(new LineCommand.GoTo(LocalDate.of(2026, 3, 2), 0));
        assertThat(command("go to last event")).isEqualTo(new LineCommand.GoTo(null, -1));
    }

    @Test
    void layoutsLinksPresetsAndLists() {
        assertThat(((LayoutLines.Arrange) command("layout 2x2")).arrangement().charts())
                .hasSize(4);
        assertThat(((LayoutLines.NewLayout) command("layout new 1x3"))
                        .arrangement()
                        .charts())
                .hasSize(3);
        assertThat(command("layout name Evening")).isEqualTo(new LayoutLines.NameLayout("Evening"));
        assertThat(command("step-down W D 1h"))
                .isEqualTo(new LayoutLines.StepDown(List.of(Timeframe.WEEK, Timeframe.DAY, Timeframe.HOUR)));
        assertThat(command("link 3")).isEqualTo(new LayoutLines.SetLink(3, null));
        assertThat(command("link none")).isEqualTo(new LayoutLines.SetLink(0, null));
        assertThat(command("link 2 shares instrument time"))
                .isEqualTo(new LayoutLines.SetLink(2, EnumSet.of(Shared.INSTRUMENT, Shared.VISIBLE_TIME)));
        assertThat(command("preset save swing high"))
                .isEqualTo(new KeptLines.OfPreset(KeptLines.PresetVerb.SAVE, "swing high"));
        assertThat(command("preset swing")).isEqualTo(new KeptLines.OfPreset(KeptLines.PresetVerb.APPLY, "swing"));
        assertThat(command("list weight PV60 50"))
                .isEqualTo(new ListLines.OfList(ListLines.ListVerb.WEIGHT, "PV60 50"));
        assertThat(command("list Evening round"))
                .isEqualTo(new ListLines.OfList(ListLines.ListVerb.SHOW, "Evening round"));
        assertThat(command("timeframes W D 7m"))
                .isEqualTo(new OutsideLines.OfferTimeframes(List.of(
                        Timeframe.WEEK, Timeframe.DAY, Timeframe.parse("7m").orElseThrow())));
        assertThat(command("key layout.split-beside V"))
                .isEqualTo(new OutsideLines.ChangeKey("layout.split-beside", "V"));
        assertThat(command("save chart.svg")).isEqualTo(new OutsideLines.SaveChart(Path.of("chart.svg")));
        assertThat(command("export workspace all.json"))
                .isEqualTo(new LayoutLines.OfWorkspace(true, Path.of("all.json")));
        assertThat(command("title my view")).isEqualTo(new LayoutLines.SetTitle("my view"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "range",
                "range x",
                "range 0",
                "brick 20 nothing",
                "point-figure 10x0",
                "session morning",
                "days many",
                "roll sometime",
                "join glue",
                "zone Nowhere/Land",
                "layout 5x5",
                "layout row(0",
                "step-down D",
                "step-down W D 1h 5m",
                "step-down D what",
                "link 9",
                "link 1 shares colour",
                "go to tomorrow",
                "timeframes W x"
            })
    void aLineThatIsWrongSaysWhatWouldBeRight(String line) {
        List<Proposal> read = LANGUAGE.read(line);
        assertThat(read).as(line).isNotEmpty();
        assertThat(read.get(0).command()).as(line).isNull();
        assertThat(read.get(0).detail()).as(line).isNotBlank();
    }

    @Test
    void beginningsAreCompleted() {
        assertThat(LANGUAGE.read("layo")).extracting(Proposal::text).contains("layout 2x2");
        assertThat(LANGUAGE.read("poin")).extracting(Proposal::text).contains("point-figure 1%x3 D");
        assertThat(LANGUAGE.read("percen")).anyMatch(each -> each.command() instanceof LineCommand.ChangeScale);
        assertThat(LANGUAGE.read("preset")).anyMatch(each -> each.kind().equals("preset") && each.command() == null);
    }

    @Test
    void anImportWithoutAFileAsksForOne() {
        assertThat(command("import")).isEqualTo(new OutsideLines.ImportFile(Optional.empty()));
        assertThat(command("import week.csv")).isEqualTo(new OutsideLines.ImportFile(Optional.of(Path.of("week.csv"))));
        assertThat(LANGUAGE.read("impo")).anyMatch(each -> each.command() instanceof OutsideLines.ImportFile);
    }

    @Test
    void futuresArefoundByRootContractAndName() {
        assertThat(command("VRTQ-U26")).isInstanceOf(LineCommand.Open.class);
        assertThat(LANGUAGE.read("verity sixty")).extracting(Proposal::text).contains("VRTQ");
        assertThat(command("AULBRN 15m"))
                .isInstanceOfSatisfying(LineCommand.Open.class, open -> assertThat(open.timeframe())
                        .isEqualTo(Timeframe.MINUTES_15));
    }
}
