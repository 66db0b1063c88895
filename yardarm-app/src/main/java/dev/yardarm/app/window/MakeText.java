package dev.yardarm.app.window;

import dev.yardarm.chart.model.ChartModel;
import dev.yardarm.chart.model.ScaleChoice;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.session.SessionPart;
import dev.yardarm.core.source.BarRequest;
import dev.yardarm.desk.room.chart.ChartRoom;
import java.util.ArrayList;
import java.util.List;

/** The make-up of a chart in a few words, for its title: only what is not as usual is named. */
final class MakeText {
    private MakeText() {}

    static String of(ChartRoom room) {
        ChartModel chart = room.chart();
        BarRequest request = chart.request();
        List<String> words = new ArrayList<>();
        if (request.isTime()) {
            words.add(request.shortText());
        }
        words.add(
                request.isTime()
                        ? chart.isOfCloses() ? "closes" : chart.form().title()
                        : request.rule().words()
                                + request.rule()
                                        .basis()
                                        .map(basis -> " of " + basis)
                                        .orElse(""));
        if (request.part().kind() != SessionPart.Kind.WHOLE) {
            words.add(request.part().words());
        }
        boolean continuous = room.instrument()
                .filter(each -> each.kind() == Instrument.Kind.CONTINUOUS)
                .isPresent();
        if (continuous) {
            words.add(request.joint().words() + ", roll by " + request.roll());
        }
        if (request.dividends()) {
            words.add("adjusted for dividends");
        }
        if (!request.splits()) {
            words.add("splits not adjusted");
        }
        if (chart.scale().mode() != ScaleChoice.Mode.LINEAR) {
            words.add(chart.scale().mode().word());
        }
        if (chart.scale().inverted()) {
            words.add("inverted");
        }
        if (request.days() > 0) {
            words.add(request.days() + " days");
        }
        if (!chart.isFollowing()) {
            words.add("scrolled back");
        }
        if (!room.title().isEmpty()) {
            words.add(room.title());
        }
        return String.join("   ", words);
    }
}
