package dev.yardarm.desk.command;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.function.LongSupplier;

/** The commands done and undone, newest first. Used by one thread. Keeps the last 500 steps. */
public final class UndoStack {
    private static final int MOST = 500;
    /** Commands of the same stem within this time are one step, in nanoseconds. */
    private static final long TOGETHER = 1_500_000_000L;

    private final Deque<Command> done = new ArrayDeque<>();
    private final Deque<Command> undone = new ArrayDeque<>();
    private final LongSupplier clock;
    private long lastAt;

    /** @param clock nanoseconds from any start */
    public UndoStack(LongSupplier clock) {
        this.clock = clock;
    }

    /** Executes a command and makes it the newest step. */
    public void execute(Command command) {
        command.execute();
        undone.clear();
        long now = clock.getAsLong();
        Command before = done.peek();
        boolean together = before != null && !command.stem().isEmpty() && before.stem().equals(command.stem())
                && now - lastAt < TOGETHER;
        if (together) {
            done.pop();
            done.push(Command.of(command.label(), command.stem(), command::execute, before::undo));
        } else {
            done.push(command);
        }
        lastAt = now;
        if (done.size() > MOST) {
            done.removeLast();
        }
    }

    /** Takes back the newest step; tells its label. */
    public Optional<String> undo() {
        Command command = done.poll();
        if (command == null) {
            return Optional.empty();
        }
        command.undo();
        undone.push(command);
        lastAt = 0;
        return Optional.of(command.label());
    }

    /** Does the step again that was taken back last; tells its label. */
    public Optional<String> redo() {
        Command command = undone.poll();
        if (command == null) {
            return Optional.empty();
        }
        command.execute();
        done.push(command);
        lastAt = 0;
        return Optional.of(command.label());
    }
}
