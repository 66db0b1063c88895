package dev.yardarm.core.source;

import dev.yardarm.core.bars.BarRule;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.session.SessionPart;
import java.util.Optional;

/**
 * Which bars of an instrument are wanted.
 *
 * @param timeframe the timeframe of bars of time; for other kinds the one the chart is otherwise on
 * @param rule the kind of bars when they are not of time; null for bars of time
 * @param part which part of the trading hours
 * @param splits true to see earlier prices in the shares of now
 * @param dividends true to take later dividends off earlier prices
 * @param roll when a continuous future goes on to the next contract
 * @param joint how its contracts are joined
 * @param days how many calendar days of intraday bars and bars of trades to load, before what indicators need to begin; 0
 *     for all. Bars of days and longer are always all loaded
 * @param gapsKept true to put a flat bar without volume where nothing was traded
 */
public record BarRequest(
        Timeframe timeframe,
        BarRule rule,
        SessionPart part,
        boolean splits,
        boolean dividends,
        RollRule roll,
        Joint joint,
        int days,
        boolean gapsKept) {
    /** How the contracts of a continuous future are joined. */
    public enum Joint {
        /** Prices as they were traded; a step at every roll. */
        UNADJUSTED("unadjusted"),
        /** Earlier prices moved by the differences at later rolls. */
        DIFFERENCE("by difference"),
        /** Earlier prices multiplied by the ratios at later rolls. */
        RATIO("by ratio");

        private final String words;

        Joint(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public BarRequest {
        if (days < 0) {
            throw new IllegalArgumentException("the days to load must not be below zero: " + days);
        }
        part = part == null ? SessionPart.WHOLE : part;
        roll = roll == null ? RollRule.STANDARD : roll;
        joint = joint == null ? Joint.DIFFERENCE : joint;
    }

    /** All bars of a timeframe, adjusted for splits. */
    public static BarRequest of(Timeframe timeframe) {
        return new BarRequest(
                timeframe, null, SessionPart.WHOLE, true, false, RollRule.STANDARD, Joint.DIFFERENCE, 0, false);
    }

    /** The days that count for these bars; 0 for all there are. */
    public int daysToLoad() {
        boolean inDays = rule == null
                ? timeframe.isIntraday()
                : rule.basis().map(Timeframe::isIntraday).orElse(true);
        return inDays ? days : 0;
    }

    /** The kind of bars when they are not of time. */
    public Optional<BarRule> byRule() {
        return Optional.ofNullable(rule);
    }

    /** True for bars of time. */
    public boolean isTime() {
        return rule == null;
    }

    public BarRequest withTimeframe(Timeframe other) {
        return new BarRequest(other, rule, part, splits, dividends, roll, joint, days, gapsKept);
    }

    /** @param other null for bars of time */
    public BarRequest withRule(BarRule other) {
        BarRule kept = other instanceof BarRule.Time ? null : other;
        Timeframe of = other instanceof BarRule.Time time ? time.timeframe() : timeframe;
        return new BarRequest(of, kept, part, splits, dividends, roll, joint, days, gapsKept);
    }

    public BarRequest withPart(SessionPart other) {
        return new BarRequest(timeframe, rule, other, splits, dividends, roll, joint, days, gapsKept);
    }

    public BarRequest withAdjustments(boolean forSplits, boolean forDividends) {
        return new BarRequest(timeframe, rule, part, forSplits, forDividends, roll, joint, days, gapsKept);
    }

    public BarRequest withRoll(RollRule other, Joint otherJoint) {
        return new BarRequest(timeframe, rule, part, splits, dividends, other, otherJoint, days, gapsKept);
    }

    public BarRequest withDays(int other) {
        return new BarRequest(timeframe, rule, part, splits, dividends, roll, joint, other, gapsKept);
    }

    public BarRequest withGapsKept(boolean kept) {
        return new BarRequest(timeframe, rule, part, splits, dividends, roll, joint, days, kept);
    }

    /** The short form for titles: {@code D}, {@code 15m}, {@code range 10}. */
    public String shortText() {
        return rule == null ? timeframe.toString() : rule.toString().replace(':', ' ');
    }
}
