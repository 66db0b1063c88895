package dev.yardarm.desk.command;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
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
    private List<Command> gathered;

    /** @param clock nanoseconds from any start */
    public UndoStack(LongSupplier clock) {
        this.clock = clock;
    }

    /**
     * Several commands of one stem as one step: undone as the first is, done again as the last. However many there were, two are
     * kept.
     */
    private record Together(Command first, Command last) implements Command {
        @Override
        public String label() {
            return last.label();
        }

        @Override
        public void execute() {
            last.execute();
        }

        @Override
        public void undo() {
            first.undo();
        }

        @Override
        public String stem() {
            return last.stem();
        }
    }

    /** Executes a command and makes it the newest step. */
    public void execute(Command command) {
        command.execute();
        if (gathered != null) {
            gathered.add(command);
            return;
        }
        undone.clear();
        long now = clock.getAsLong();
        Command before = done.peek();
        boolean together = before != null
                && !command.stem().isEmpty()
                && before.stem().equals(command.stem())
                && now - lastAt < TOGETHER;
        if (together) {
            done.pop();
            done.push(new Together(before instanceof Together several ? several.first : before, command));
        } else {
            done.push(command);
        }
        lastAt = now;
        if (done.size() > MOST) {
            done.removeLast();
        }
    }

    /**
     * Makes one step of all commands that something executes; none when it executes none. Within another one it becomes a part of
     * that.
     */
    public void together(String label, Runnable work) {
        List<Command> around = gathered;
        List<Command> parts = new ArrayList<>();
        gathered = parts;
        try {
            work.run();
        } finally {
            gathered = around;
            if (!parts.isEmpty()) {
                Command all = Command.of(label, () -> parts.forEach(Command::execute), () -> {
                    for (int part = parts.size() - 1; part >= 0; part--) {
                        parts.get(part).undo();
                    }
                });
                if (around != null) {
                    around.add(all);
                } else {
                    undone.clear();
                    done.push(all);
                    lastAt = 0;
                }
            }
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
