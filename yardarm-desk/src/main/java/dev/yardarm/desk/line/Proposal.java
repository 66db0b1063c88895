package dev.yardarm.desk.line;

/**
 * One thing a line can mean.
 *
 * @param kind what sort of thing it is, in a word: {@code instrument}, {@code indicator} ...
 * @param text the full line for it
 * @param detail what it is or does
 * @param command what is done when it is taken; null for one that must be completed first
 */
public record Proposal(String kind, String text, String detail, LineCommand command) {}
