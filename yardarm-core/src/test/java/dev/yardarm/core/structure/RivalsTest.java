package dev.yardarm.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class RivalsTest {
    private static final Rivals THREE = new Rivals(List.of(
            new Rivals.Reading("zigzag C", 0.5, 90, 88, 104),
            new Rivals.Reading("impulse 3", 0.9, 107, 112, 98),
            new Rivals.Reading("flat C", 0.7, 92, 90, 106)));

    @Test
    void theBestComesFirst() {
        assertThat(THREE.readings())
                .extracting(Rivals.Reading::words)
                .containsExactly("impulse 3", "flat C", "zigzag C");
    }

    /** On the way to 106 price has passed 104: both are over there. */
    @Test
    void eachPriceSaysWhatEndsThereAndWhatGoesOn() {
        List<Rivals.Decision> decisions = THREE.decisions(101);
        assertThat(decisions).hasSize(3);
        assertThat(decisions.get(0))
                .satisfiesAnyOf(each -> assertThat(each.price()).isEqualTo(104), each -> assertThat(each.price())
                        .isEqualTo(98));
        assertThat(decisions)
                .contains(
                        new Rivals.Decision(98, false, List.of("impulse 3"), List.of("flat C", "zigzag C")),
                        new Rivals.Decision(104, true, List.of("zigzag C"), List.of("impulse 3", "flat C")),
                        new Rivals.Decision(106, true, List.of("flat C", "zigzag C"), List.of("impulse 3")));
    }

    @Test
    void readingsOfOnePriceEndTogetherAndWithoutAPriceNone() {
        Rivals same = new Rivals(List.of(
                new Rivals.Reading("a", 0.5, 1, 2, 10),
                new Rivals.Reading("b", 0.4, 1, 2, 10),
                new Rivals.Reading("c", 0.3, 1, 2, Double.NaN)));
        assertThat(same.decisions(12)).containsExactly(new Rivals.Decision(10, false, List.of("a", "b"), List.of("c")));
        assertThat(same.decisions(10)).as("nothing lies between").isEmpty();
    }
}
