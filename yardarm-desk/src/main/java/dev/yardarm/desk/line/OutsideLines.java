package dev.yardarm.desk.line;

import dev.yardarm.core.bars.Timeframe;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Lines about files, keys and how the application looks and offers. */
public final class OutsideLines {
    private OutsideLines() {}

    /** Bars or trades of a file; without one it is asked for. */
    public record ImportFile(Optional<Path> file) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.intake(file.map(each -> List.of(each.toAbsolutePath())).orElse(List.of()));
        }
    }

    /** A picture or the visible data of the active chart, by the ending of the file. */
    public record SaveChart(Path file) implements LineCommand {
        @Override
        public void run(Hands hands) {
            Path whole = file.toAbsolutePath();
            if (hands.mayWrite(whole)) {
                hands.saveChart(whole);
            }
        }
    }

    /** The timeframes offered; none for the usual ones. */
    public record OfferTimeframes(List<Timeframe> timeframes) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.desk().habits().setTimeframes(timeframes);
            List<String> offered =
                    hands.desk().timeframes().stream().map(Timeframe::toString).toList();
            hands.desk()
                    .tell("Timeframes in menus: " + String.join(" ", offered)
                            + ". The strip follows at the next start.");
        }
    }

    /** Another key for an action; {@code leader} for how groups are reached. */
    public record ChangeKey(String action, String key) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.changeKey(action, key);
        }
    }

    /** @param percent of the usual size */
    public record TextSize(int percent) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.setTextSize(percent);
        }
    }
}
