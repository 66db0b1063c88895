package dev.yardarm.app.window;

import dev.yardarm.app.sound.Loudspeaker;
import dev.yardarm.desk.alert.AlertBell;
import java.io.IOException;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/** Makes alerts heard outside the window: sounds, the system's own notifications, the chart that comes up. */
final class AlertOutside implements AlertBell.Outside {
    private final Loudspeaker speaker;
    private final Executor behind;
    private final Consumer<String> tell;
    private final Consumer<AlertBell.Ring> chart;
    private boolean told;

    /** @param chart opens the chart of a firing */
    AlertOutside(Executor behind, Consumer<String> tell, Consumer<AlertBell.Ring> chart) {
        this.speaker = new Loudspeaker(behind, tell);
        this.behind = behind;
        this.tell = tell;
        this.chart = chart;
    }

    @Override
    public void sound(String name, double volume) {
        speaker.play(name, volume);
    }

    @Override
    public void system(String title, String text) {
        behind.execute(() -> notify(title, text));
    }

    private synchronized void notify(String title, String text) {
        boolean mac = System.getProperty("os.name").startsWith("Mac");
        try {
            Process process = (mac
                            ? new ProcessBuilder(
                                    "osascript",
                                    "-e",
                                    "display notification " + quoted(text) + " with title " + quoted(title))
                            : new ProcessBuilder("notify-send", "--app-name=Yardarm", "--", title, text))
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            process.getOutputStream().close();
        } catch (IOException none) {
            if (!told) {
                told = true;
                tell.accept("The system shows no notifications here: " + none.getMessage() + ".");
            }
        }
    }

    private static String quoted(String text) {
        return '"' + text.replace("\\", "\\\\").replace("\"", "\\\"") + '"';
    }

    @Override
    public void chart(AlertBell.Ring ring) {
        chart.accept(ring);
    }
}
