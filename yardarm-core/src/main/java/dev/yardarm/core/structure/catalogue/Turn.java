package dev.yardarm.core.structure.catalogue;

import dev.yardarm.core.structure.Finding;

/**
 * A swing that is settled.
 *
 * @param bar it is on
 * @param time open of that bar
 */
record Turn(boolean high, int bar, long time, double price) {
    Finding.Point as(String role) {
        return new Finding.Point(role, time, price);
    }
}
