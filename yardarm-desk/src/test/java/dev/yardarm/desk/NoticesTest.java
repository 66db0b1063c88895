package dev.yardarm.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class NoticesTest {
    private long now;
    private final Notices notices = new Notices(Runnable::run, () -> now);

    @Test
    void whatSixChartsFindOutAtOnceIsToldOnceAndAgainLater() {
        List<String> heard = new ArrayList<>();
        notices.listen(heard::add);
        notices.open();
        for (int chart = 0; chart < 6; chart++) {
            notices.tell("ABCD is not there");
            now += 100_000_000L;
        }
        notices.tell("EFGH is not there");
        assertThat(heard).containsExactly("ABCD is not there", "EFGH is not there");
        now += 3_000_000_000L;
        notices.tell("ABCD is not there");
        assertThat(heard).hasSize(3);
    }

    @Test
    void whatWasToldBeforeAnybodyListenedIsHeardOnce() {
        notices.tell("early");
        notices.tell("early");
        List<String> heard = new ArrayList<>();
        notices.listen(heard::add);
        assertThat(heard).containsExactly("early");
    }

    @Test
    void aSentenceEndsOnce() {
        List<String> heard = new ArrayList<>();
        notices.listen(heard::add);
        notices.tell("No: the disk is full..");
        notices.tell("No: of how many bars?.");
        notices.tell("It goes on ...");
        notices.tell("Done.");
        assertThat(heard).containsExactly("No: the disk is full.", "No: of how many bars?", "It goes on ...", "Done.");
    }
}
