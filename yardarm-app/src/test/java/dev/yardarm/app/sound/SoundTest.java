package dev.yardarm.app.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What alerts sound like, as figures, and what is said where there is nothing to play them on. */
class SoundTest {
    private static int[] values(byte[] samples) {
        int[] values = new int[samples.length / 2];
        for (int at = 0; at < values.length; at++) {
            values[at] = (samples[2 * at] & 0xff) | samples[2 * at + 1] << 8;
        }
        return values;
    }

    private static int loudest(int[] values, int from, int to) {
        int loudest = 0;
        for (int at = from; at < to; at++) {
            loudest = Math.max(loudest, Math.abs(values[at]));
        }
        return loudest;
    }

    @ParameterizedTest
    @EnumSource(Chime.class)
    void beginsAndEndsWithoutAClickAndFadesBetween(Chime chime) {
        int[] values = values(chime.samples(1));
        assertThat(values.length).isBetween(Chime.RATE / 5, 3 * Chime.RATE / 2);
        assertThat(Math.abs(values[0])).isLessThan(400);
        assertThat(Math.abs(values[values.length - 1])).isLessThan(400);
        int strong = loudest(values, 0, values.length / 2);
        assertThat(strong).as("it is heard").isGreaterThan(Short.MAX_VALUE / 4);
        assertThat(loudest(values, 9 * values.length / 10, values.length))
                .as("it fades")
                .isLessThan(strong / 2);
        assertThat(Chime.named(chime.word())).contains(chime);
    }

    @ParameterizedTest
    @EnumSource(Chime.class)
    void isHalfAsStrongAtHalfTheVolumeAndSilentAtNone(Chime chime) {
        int whole = loudest(values(chime.samples(0.5)), 0, Chime.RATE / 10);
        int half = loudest(values(chime.samples(0.25)), 0, Chime.RATE / 10);
        assertThat((double) half / whole).isBetween(0.49, 0.51);
        assertThat(loudest(values(chime.samples(0)), 0, Chime.RATE / 10)).isZero();
    }

    @Test
    void twoBellsAreStruckTwice() {
        int[] values = values(Chime.TWO_BELLS.samples(1));
        int before = loudest(values, (int) (0.30 * Chime.RATE), (int) (0.34 * Chime.RATE));
        int struck = loudest(values, (int) (0.36 * Chime.RATE), (int) (0.40 * Chime.RATE));
        assertThat(struck).isGreaterThan(2 * before);
    }

    @Test
    void aWordThatIsNoSoundIsNone() {
        assertThat(Chime.named("gong")).isEmpty();
        assertThat(Chime.named("two-bells")).contains(Chime.TWO_BELLS);
    }

    @Test
    void whereNothingCanBePlayedThatIsToldOnceAtMost() {
        List<String> told = new ArrayList<>();
        Loudspeaker speaker = new Loudspeaker(Runnable::run, told::add);
        speaker.play("bell", 0);
        speaker.play("gong", 0);
        speaker.play("wood", 0);
        assertThat(told).hasSizeLessThanOrEqualTo(1);
        told.forEach(each -> assertThat(each).contains("no sound here"));
    }
}
