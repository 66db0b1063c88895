package dev.yardarm.desk.listening;

/** A place among those who are told of something; closed, it is let go of. Closing twice does nothing more. */
@FunctionalInterface
public interface Listening extends AutoCloseable {
    @Override
    void close();

    /** Several that are closed together. */
    static Listening all(Listening... several) {
        return () -> {
            for (Listening each : several) {
                each.close();
            }
        };
    }
}
