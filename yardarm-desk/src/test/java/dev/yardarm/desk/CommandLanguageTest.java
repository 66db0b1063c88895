package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;

import dev.yardarm.chart.gesture.Tool;
import dev.yardarm.chart.model.IndicatorLayer;
import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Figure;
import dev.yardarm.core.drawing.Figures;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.scan.Scan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.line.Hands;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.line.Proposal;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mockito.ArgumentCaptor;

class CommandLanguageTest {
    private static final CommandLanguage LANGUAGE = new CommandLanguage(
            new Directory(List.of(new SimulatedMarket(World.halcyon(), 1))), Language::builtIn, WordsForTests::all);

    private static Proposal first(String line) {
        return LANGUAGE.read(line).get(0);
    }

    @Test
    void instrumentsAreFoundByCodeAndByAWordOfTheName() {
        assertThat(first("ktrl").command()).isInstanceOfSatisfying(LineCommand.Open.class, open -> {
            assertThat(open.instrument().code()).isEqualTo("KTRL");
            assertThat(open.timeframe()).isNull();
        });
        assertThat(first("KTRL W").command())
                .isInstanceOfSatisfying(LineCommand.Open.class, open -> assertThat(open.timeframe())
                        .isEqualTo(Timeframe.WEEK));
        assertThat(first("kettering").text()).isEqualTo("KTRL");
        assertThat(first("tidal").kind()).isEqualTo("instrument");
        assertThat(LANGUAGE.read("harb")).extracting(Proposal::text).contains("VHRB", "HRHQ");
        assertThat(first("#salt").kind()).isEqualTo("instrument");
        assertThat(LANGUAGE.read("ktr")).extracting(Proposal::text).contains("KTRL");
    }

    @Test
    void timeframesIndicatorsAndDrawings() {
        assertThat(first("15m").command()).isEqualTo(new LineCommand.SetTimeframe(Timeframe.MINUTES_15));
        assertThat(first("M").command()).isEqualTo(new LineCommand.SetTimeframe(Timeframe.MONTH));
        assertThat(first("rsi 9 high").command()).isInstanceOfSatisfying(LineCommand.AddIndicator.class, add -> {
            assertThat(add.settings().whole("length")).isEqualTo(9);
            assertThat(add.settings().values()).containsEntry("source", "high");
        });
        assertThat(first("sma 0").command()).isNull();
        assertThat(first("sma 0").detail()).contains("from 1 to 5000");
        assertThat(first("level 98.40").command())
                .isEqualTo(new LineCommand.Draw("level", List.of(new LineCommand.DrawnPoint(null, 98.4)), Map.of()));
        assertThat(first("level abc").command()).isNull();
        assertThat(first("line 2026-03-02 95.2 2026-05-11 101").command())
                .isEqualTo(new LineCommand.Draw(
                        "line",
                        List.of(
                                new LineCommand.DrawnPoint(
                                        LocalDate.of(2026, 3, 2).atStartOfDay(), 95.2),
                                new LineCommand.DrawnPoint(
                                        LocalDate.of(2026, 5, 11).atStartOfDay(), 101)),
                        Map.of()));
        assertThat(first("plan 104.2 102.8 107").command()).isEqualTo(new LineCommand.MakePlan(104.2, 102.8, 107));
        for (String words : List.of("rsi(14) < 30", "scan rsi(14) < 30", "Scan for rsi(14) < 30")) {
            assertThat(first(words).command()).as(words).isEqualTo(new LineCommand.ScanFor("rsi(14) < 30"));
        }
        assertThat(first("plan long 104.2 stop 102.8 target 107").command())
                .isEqualTo(new LineCommand.MakePlan(104.2, 102.8, 107));
        assertThat(first("plan target 99 stop 106 entry 104.2").command())
                .isEqualTo(new LineCommand.MakePlan(104.2, 106, 99));
        assertThat(first("plan short at 104.2 stop 102.8 target 107").command()).isNull();
        assertThat(first("plan short at 104.2 stop 102.8 target 107").detail()).contains("lies above its entry");
        assertThat(first("plan long 104.2 stop").command()).isNull();
        assertThat(first("plan 104.2 stop 102.8 stop 101").command()).isNull();
        assertThat(first("alert close").command()).isInstanceOf(LineCommand.SetAlert.class);
        assertThat(first("alert").command()).isEqualTo(new LineCommand.SetAlert(Alert.Trigger.REACHES));
        for (String words : List.of(
                "rsi(14) < 30",
                "close > open on 4h once a bar",
                "closes above 104.20 on 30m for 5 days \"retest of the breakout\"",
                "close above 104.20",
                "it closes above 104.20",
                "below 98",
                "trade 200",
                "reaches \"Neckline\"")) {
            assertThat(first("alert " + words).command()).as(words).isEqualTo(new LineCommand.AlertLine(words, "", ""));
        }
        assertThat(first("alert KTRL reaches 104.20").command())
                .isEqualTo(new LineCommand.AlertLine("reaches 104.20", "KTRL", ""));
        assertThat(first("alert KTRL reaches 104.20").detail()).isEqualTo("on KTRL: reaches 104.2");
        assertThat(first("alert each of Swing rsi(14) < 30").command())
                .isEqualTo(new LineCommand.AlertLine("rsi(14) < 30", "", "Swing"));
        assertThat(first("alert all in \"Day trading\" reaches ema(20)").command())
                .isEqualTo(new LineCommand.AlertLine("reaches ema(20)", "", "Day trading"));
        assertThat(first("alert rsi(14)").command()).isNull();
        assertThat(first("alert rsi(14)").detail()).contains("condition");
        assertThat(first("alert closes above 104.20 by").command()).isNull();
        assertThat(first("night watch").command()).isEqualTo(new LineCommand.Plain(WordsForTests.of("night watch")));
    }

    @Test
    void everythingThatCanBeDrawnIsDrawnFromALineOrTakenInHand() {
        for (Figure figure : Figures.shared().all()) {
            assertThat(LANGUAGE.read(figure.name()).stream().map(Proposal::command))
                    .as(figure.name())
                    .contains(new LineCommand.TakeTool(Tool.of(figure.name())));
            StringBuilder line = new StringBuilder(figure.name());
            for (int point = 0; point < figure.least(); point++) {
                line.append(" 2026-03-0").append(2 + point).append(' ').append(90 + point);
            }
            assertThat(LANGUAGE.read(line.toString()).stream().map(Proposal::command))
                    .as(line.toString())
                    .anyMatch(command -> command instanceof LineCommand.Draw draw
                            && draw.figure().equals(figure.name())
                            && draw.points().size() == figure.least());
        }
    }

    @Test
    void optionsTextsAndTimesOfDayAreRead() {
        assertThat(first("retracement 2026-03-02 90 2026-05-11 101 ratios:0.5,0.618 extend:both")
                        .command())
                .isInstanceOfSatisfying(LineCommand.Draw.class, draw -> assertThat(draw.options())
                        .containsEntry("ratios", "0.5 0.618")
                        .containsEntry("extend", "both"));
        assertThat(first("text 2026-03-02T10:30 98.2 it broke here: 2 times").command())
                .isInstanceOfSatisfying(LineCommand.Draw.class, draw -> {
                    assertThat(draw.options()).containsEntry("text", "it broke here: 2 times");
                    assertThat(draw.points())
                            .containsExactly(new LineCommand.DrawnPoint(
                                    LocalDate.of(2026, 3, 2).atTime(10, 30), 98.2));
                });
        assertThat(first("upright 2026-03-02").command())
                .isInstanceOfSatisfying(
                        LineCommand.Draw.class,
                        draw -> assertThat(draw.points().get(0).price()).isNaN());
        assertThat(first("channel 2026-03-02 90 2026-05-11 101").detail())
                .contains("needs 3 points", "channel 2026-03-02");
        assertThat(first("line 2026-13-02 90 2026-05-11 101").detail()).contains("is not a date");
        assertThat(first("line 2026-03-02 90 2026-05-11 101 extend:up").detail())
                .contains("extend", "right");
        assertThat(first("box 2026-03-02 90 nonsense").command()).isNull();
    }

    private static Map<String, String> settings(String line) {
        return ((LineCommand.AddIndicator) first(line).command()).settings().values();
    }

    @Test
    void indicatorsTakeNumbersWordsInstrumentsAndDatesInAnyOrder() {
        assertThat(first("macd").command())
                .isInstanceOfSatisfying(LineCommand.AddIndicator.class, add -> assertThat(add.settings())
                        .as("those new ones come up with")
                        .isNull());
        assertThat(settings("bollinger 20 2.5 high"))
                .containsEntry("length", "20")
                .containsEntry("factor", "2.5")
                .containsEntry("source", "high");
        assertThat(settings("keltner simple 8 6 1.5"))
                .containsEntry("average", "simple")
                .containsEntry("length", "8")
                .containsEntry("range", "6")
                .containsEntry("factor", "1.5");
        assertThat(settings("correlation 60 marn"))
                .containsEntry("length", "60")
                .containsEntry("against", "MARN");
        assertThat(settings("correlation #VRTQ 30 values"))
                .containsEntry("against", "VRTQ")
                .containsEntry("of", "values");
        assertThat(settings("pivots week camarilla"))
                .containsEntry("method", "camarilla")
                .containsEntry("period", "week");
        assertThat(settings("pivots 3%")).containsEntry("reversal", "0.03").containsEntry("bars", "0");
        assertThat(settings("swings bars:4")).containsEntry("bars", "4");
        assertThat(first("order-blocks").kind()).isEqualTo("detector");
        assertThat(first("levels 3 on W").command()).isInstanceOfSatisfying(LineCommand.AddIndicator.class, add -> {
            assertThat(add.indicator().name()).isEqualTo("levels");
            assertThat(add.settings().values()).containsEntry("touches", "3");
            assertThat(add.higher()).isEqualTo(new IndicatorLayer.Higher(Timeframe.WEEK, false));
        });
        assertThat(first("ema on forming M").command())
                .isInstanceOfSatisfying(LineCommand.AddIndicator.class, add -> assertThat(add.higher())
                        .isEqualTo(new IndicatorLayer.Higher(Timeframe.MONTH, true)));
        assertThat(first("levels on moon").command()).isNull();
        assertThat(first("levels on moon").detail()).contains("'moon' is no timeframe");
        assertThat(settings("anchored_vwap 2026-03-02")).containsEntry("anchor", "2026-03-02");
        assertThat(settings("macd signal:5")).containsEntry("signal", "5").containsEntry("fast", "12");
        assertThat(first("sma 20 30").command()).isNull();
        assertThat(first("sma 20 30").detail()).contains("'30' is not a setting of sma; it has length, source");
        assertThat(first("pivots moon").command()).isNull();
    }

    @Test
    void stancesNotesAndScans() {
        assertThat(first("skip too wide").command())
                .isEqualTo(new LineCommand.TakeStance(Stance.Kind.SKIP, "too wide"));
        assertThat(first("long").command()).isEqualTo(new LineCommand.TakeStance(Stance.Kind.LONG, ""));
        assertThat(first("note see you Monday").command()).isEqualTo(new LineCommand.WriteNote("see you Monday"));
        assertThat(first("rsi(14) < 30").command()).isEqualTo(new LineCommand.ScanFor("rsi(14) < 30"));
    }

    @Test
    void nonsenseIsAnsweredInWords() {
        assertThat(LANGUAGE.read("zzqx")).isEmpty();
        assertThat(LANGUAGE.complaint("zzqx")).contains("Nothing is called 'zzqx'", "sma 50");
        assertThat(LANGUAGE.complaint("clsoe > 3")).contains("did you mean 'close'");
        assertThat(LANGUAGE.complaint("close + 3 =")).contains("position");
        assertThat(LANGUAGE.read("   ")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "renko 20, brick:20",
        "heikin, heikin-ashi",
        "pnf, point-figure",
        "trendline, line",
        "hline 98.40, level",
        "fib, retracement",
        "rect, box",
        "dmi, adx",
        "sar, psar",
        "hma 21, hull 21",
        "bbands 20 2, bollinger 20",
        "bb, bollinger",
        "kc, keltner",
        "stoch 14 3, stochastic 14",
        "stochrsi, stoch_rsi",
        "willr 10, williams_r 10",
        "avwap, anchored_vwap",
        "ma 200, sma 200",
        "orb, opening_range",
        "weekly, W",
        "daily, D",
        "monthly, M",
        "hourly, 1h",
        "watchlist, list",
        "candlestick, candles",
        "%b, band_position",
        "level-ray, level_ray",
        "order-block, order_block",
        "relative-volume 20, relative_volume 20",
        "line_break 3, line-break:3",
        "step_down W D, step-down W D",
        "parabolic, psar",
        "horizontal 101, level",
        "upright, upright"
    })
    void wordsOfTheTradeMeanOurs(String typed, String ours) {
        assertThat(first(typed).text().replace(" ", " "))
                .as(typed)
                .matches(text -> text.startsWith(ours) || text.startsWith(ours.replace(':', ' ')), ours);
    }

    @Test
    void theBeginningOfATradeWordOffersOursAndCodesStayInFront() {
        assertThat(LANGUAGE.read("bban")).extracting(Proposal::text).anyMatch(text -> text.startsWith("bollinger"));
        assertThat(LANGUAGE.read("trendl")).extracting(Proposal::text).contains("line");
        assertThat(LANGUAGE.read("gaussian")).extracting(Proposal::text).anyMatch(text -> text.startsWith("fisher"));
        for (Instrument each : new Directory(List.of(new SimulatedMarket(World.halcyon(), 1))).all()) {
            assertThat(first(each.code()).command()).isInstanceOf(LineCommand.Open.class);
        }
    }

    @Test
    void aNameOfSeveralWordsIsTypedAsPeopleWriteIt() {
        for (String line :
                List.of("big trades 40", "big_trades 40", "Big-Trades 40", "large trades 40", "Block trades 40")) {
            assertThat(first(line).command()).as(line).isInstanceOfSatisfying(LineCommand.AddIndicator.class, add -> {
                assertThat(add.indicator().name()).isEqualTo("big_trades");
                assertThat(add.settings().number("size")).isEqualTo(40);
            });
        }
        assertThat(first("order blocks").command())
                .isInstanceOfSatisfying(
                        LineCommand.AddIndicator.class,
                        add -> assertThat(add.indicator().name()).isEqualTo("order_blocks"));
    }

    @Test
    void aScanIsRunByTheWordsOfItsName() {
        Proposal room = LANGUAGE.read("scan largest room").get(0);
        assertThat(room.kind()).isEqualTo("scan");
        assertThat(room.text()).isEqualTo("scan Largest room to its target");
        assertThat(room.detail()).startsWith("Structure: ");
        Hands hands = mock(Hands.class);
        room.command().run(hands);
        ArgumentCaptor<Scan> opened = ArgumentCaptor.forClass(Scan.class);
        verify(hands).openScan(opened.capture(), eq(true));
        assertThat(opened.getValue().condition()).contains("targets.nearest_up");

        Scan own = Scan.of("My doji evening", "All companies", Timeframe.DAY, List.of("close > open"));
        CommandLanguage with = new CommandLanguage(
                new Directory(List.of()), Language::builtIn, List::of, () -> List.of(own), List::of);
        assertThat(with.read("scan doji").get(0).text())
                .as("the trader's own first")
                .isEqualTo("scan My doji evening");
        assertThat(with.read("scan doji").get(1).text()).contains("Doji");
        assertThat(with.read("scan doji > 3").get(0).command())
                .as("no name has all of this")
                .isNull();
        assertThat(LANGUAGE.read("scan volume > 2 * sma(volume, 20)").get(0).command())
                .isInstanceOf(LineCommand.ScanFor.class);
    }
}
