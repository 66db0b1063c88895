package dev.yardarm.app.sound;

import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.Clip;
import javax.sound.sampled.LineEvent;
import javax.sound.sampled.LineUnavailableException;

/**
 * Plays the sounds of alerts, behind the window. Where there is nothing to play them on that is told once. May be used by any thread.
 */
public final class Loudspeaker {
    private static final AudioFormat FORMAT = new AudioFormat(Chime.RATE, 16, 1, true, false);

    private final Executor behind;
    private final Consumer<String> tell;
    private boolean told;

    /** @param behind plays them */
    public Loudspeaker(Executor behind, Consumer<String> tell) {
        this.behind = behind;
        this.tell = tell;
    }

    /**
     * Plays a sound.
     *
     * @param word of a {@link Chime}; the bell when there is none of it
     * @param volume from 0 to 1
     */
    public void play(String word, double volume) {
        Chime chime = Chime.named(word).orElse(Chime.BELL);
        behind.execute(() -> sound(chime, volume));
    }

    private synchronized void sound(Chime chime, double volume) {
        try {
            Clip clip = AudioSystem.getClip();
            byte[] samples = chime.samples(volume);
            clip.open(FORMAT, samples, 0, samples.length);
            clip.addLineListener(event -> {
                if (event.getType() == LineEvent.Type.STOP) {
                    clip.close();
                }
            });
            clip.start();
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException none) {
            // Most often there is no sound device at all.
            if (!told) {
                told = true;
                tell.accept("Alerts make no sound here: there is no device to play them on.");
            }
        }
    }
}
