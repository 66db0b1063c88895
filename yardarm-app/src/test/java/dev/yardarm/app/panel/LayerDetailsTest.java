package dev.yardarm.app.panel;

import static org.assertj.core.api.Assertions.assertThat;

import dev.yardarm.chart.model.Layer;
import org.junit.jupiter.api.Test;

class LayerDetailsTest {
    @Test
    void everyKindOfLayerHasItsEditor() {
        for (Class<?> kind : Layer.class.getPermittedSubclasses()) {
            assertThat(LayerDetails.has(kind)).as(kind.getSimpleName()).isTrue();
        }
    }
}
