package dev.yardarm.data.document;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.evidence.Inquiry;
import dev.yardarm.core.evidence.Question;
import dev.yardarm.core.series.Times;
import java.util.Arrays;
import java.util.List;

/** What was asked of the past as it is written in a file; {@code from} and {@code to} are left out where there is no bound. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record InquiryEntry(
        String condition,
        ScanEntry.Among universe,
        Timeframe timeframe,
        List<Integer> horizons,
        double cost,
        double slippage,
        Long from,
        Long to,
        boolean overlapping,
        long seed,
        double heldBack,
        long moment,
        String version,
        int found) {
    public static InquiryEntry of(Inquiry inquiry) {
        Question question = inquiry.question();
        return new InquiryEntry(
                inquiry.condition(),
                ScanEntry.Among.of(inquiry.universe()),
                inquiry.timeframe(),
                Arrays.stream(question.horizons()).boxed().toList(),
                question.cost(),
                question.slippage(),
                question.from() == Long.MIN_VALUE ? null : question.from(),
                question.to() == Long.MAX_VALUE ? null : question.to(),
                !question.apart(),
                question.seed(),
                inquiry.heldBack(),
                inquiry.moment(),
                inquiry.version(),
                inquiry.found());
    }

    /** @throws RuntimeException when something is missing */
    public Inquiry inquiry() {
        Question question = new Question(
                horizons.stream().mapToInt(Integer::intValue).toArray(),
                cost,
                slippage,
                from == null ? Long.MIN_VALUE : from,
                to == null ? Long.MAX_VALUE : to,
                !overlapping,
                seed);
        return new Inquiry(
                condition,
                universe.universe(),
                timeframe,
                question,
                heldBack,
                Times.checked("its 'moment'", moment),
                version == null ? "" : version,
                found);
    }
}
