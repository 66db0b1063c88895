package dev.yardarm.desk.line;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.call.CallSentence;
import dev.yardarm.core.indicator.Setting;
import dev.yardarm.core.session.TradingCalendar;
import dev.yardarm.desk.market.Directory;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Lines that make a call: {@code above 104.20 expect 107, wrong below 102.80, until Friday; below 102.80 the other reading: 99}, with or
 * without the word call before it; also of another instrument than the one in hand, {@code call KTRL above 104.20 expect 107 ...}.
 */
final class CallLines {
    private static final Pattern SAID = Pattern.compile("(?i)call\\s+.+");
    private static final Pattern MEANT = Pattern.compile(
            "(?i)(?:(?:if|once|when|it|price)\\s+)*(?:(?:closes?|goes|trades|is|breaks|moves|falls|drops|rises|climbs|holds|stays)\\s+)?(?:above|below|over|under|loses|clears)\\s+[0-9].*\\b(?:expect|target|wrong|must not)\\b.*");

    private CallLines() {}

    /** What the line means; nothing when it is no call. */
    static List<Proposal> read(String text, Directory directory) {
        boolean said = SAID.matcher(text).matches();
        String whole = said ? text.replaceFirst("(?i)call\\s+(?:on\\s+(?=\\S+\\s))?", "") : text;
        Optional<OnCode> other = OnCode.of(whole, directory).or(() -> OnCode.inAnyCase(whole, directory)
                .filter(each -> MEANT.matcher(each.rest()).matches()));
        String sentence = other.map(OnCode::rest).orElse(whole);
        if (!said && !MEANT.matcher(sentence).matches()) {
            return text.equalsIgnoreCase("call")
                    ? List.of(new Proposal(
                            "call",
                            "call ",
                            "and what you expect: above 104.20 expect 107, wrong below 102.80, until Friday",
                            null))
                    : List.of();
        }
        String code = other.map(each -> each.instrument().code()).orElse("");
        try {
            CallSentence read =
                    CallSentence.parse(sentence, TradingCalendar.ROUND_THE_CLOCK, new BarRule.Time(Timeframe.DAY), 0);
            String detail = (read.main().way() > 0 ? "a rise to " : "a fall to ")
                    + Setting.Number.plain(read.main().target()) + " is expected beyond "
                    + Setting.Number.plain(read.main().trigger())
                    + (read.rival() == null ? "" : ", with the other reading")
                    + (code.isEmpty() ? "" : ", on " + code);
            return List.of(new Proposal("call", text, detail, new LineCommand.MakeCall(sentence, code)));
        } catch (IllegalArgumentException bad) {
            return List.of(new Proposal("call", text, bad.getMessage(), null));
        }
    }
}
