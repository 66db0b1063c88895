package dev.yardarm.core.structure.catalogue;

/** A straight line over bars. */
record Line(int bar, double price, double slope) {
    /** Through two points on different bars. */
    static Line through(Turn one, Turn other) {
        return new Line(one.bar(), one.price(), (other.price() - one.price()) / (other.bar() - one.bar()));
    }

    static Line level(Turn at, double price) {
        return new Line(at.bar(), price, 0);
    }

    double at(int there) {
        return slope == 0 ? price : price + slope * (there - bar);
    }
}
