package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.LayerScale;
import dev.yardarm.core.formula.Language;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.line.CommandLanguage;
import dev.yardarm.desk.line.LineCommand;
import dev.yardarm.desk.line.Proposal;
import dev.yardarm.desk.market.Directory;
import dev.yardarm.desk.room.chart.ChartComparisons.Look;
import dev.yardarm.market.live.SimulatedMarket;
import dev.yardarm.market.world.World;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lines that compare instruments, and what is said about those that do not say with whom. */
class CompareWordsTest {
    private static final Directory DIRECTORY = new Directory(List.of(new SimulatedMarket(World.halcyon(), 1)));
    private static final CommandLanguage LANGUAGE =
            new CommandLanguage(DIRECTORY, Language::builtIn, WordsForTests::all);

    private static Proposal first(String line) {
        return LANGUAGE.read(line).get(0);
    }

    private static Instrument instrument(String code) {
        return DIRECTORY.byCode(code).orElseThrow();
    }

    @Test
    void severalInstrumentsWithTheirScaleAndForm() {
        assertThat(first("compare MARN tidq").command())
                .isEqualTo(new LineCommand.Compare(List.of(instrument("MARN"), instrument("TIDQ")), Look.STANDARD));
        assertThat(first("compare #MARN own bars below").command())
                .isEqualTo(new LineCommand.Compare(List.of(instrument("MARN")), new Look(LayerScale.OWN, true, true)));
        assertThat(first("compare MARN same").detail())
                .isEqualTo(instrument("MARN").name() + ", same scale");
    }

    @Test
    void aCorrelationOfTwo() {
        assertThat(first("correlate MARN TIDQ").command())
                .isEqualTo(new LineCommand.Correlate(instrument("MARN"), instrument("TIDQ"), 0));
        assertThat(first("correlate marn tidq 40").command())
                .isEqualTo(new LineCommand.Correlate(instrument("MARN"), instrument("TIDQ"), 40));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "compare NOBODY|no instrument is called 'NOBODY'",
                "compare own|other instruments",
                "correlate MARN|the rolling correlation",
                "correlate MARN TIDQ 1|the rolling correlation",
                "correlate MARN TIDQ 9999|the rolling correlation",
                "correlate MARN NOBODY|the rolling correlation"
            })
    void whatSaysTooLittleIsToldAndDoesNothing(String line, String complaint) {
        assertThat(first(line).command()).isNull();
        assertThat(first(line).detail()).contains(complaint);
    }

    @Test
    void theWordAloneOpensTheList() {
        assertThat(first("compare").command()).isEqualTo(new LineCommand.Plain(WordsForTests.of("compare")));
    }
}
