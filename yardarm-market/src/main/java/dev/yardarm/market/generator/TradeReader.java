package dev.yardarm.market.generator;

/** Takes in trades while they are made; the side is not known where it follows from the prices. */
@FunctionalInterface
interface TradeReader {
    void trade(long time, double price, double size, byte side);
}
