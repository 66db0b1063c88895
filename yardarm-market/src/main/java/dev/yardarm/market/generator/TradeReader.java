package dev.yardarm.market.generator;

/** Takes in trades while they are made, before their sides are known. */
@FunctionalInterface
interface TradeReader {
    void trade(long time, double price, double size);
}
