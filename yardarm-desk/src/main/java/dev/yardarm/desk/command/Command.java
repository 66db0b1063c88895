package dev.yardarm.desk.command;

/** A change of a document with its inverse. */
public interface Command {
    /** What it does, for people: {@code add ema 20}. */
    String label();

    void execute();

    void undo();

    /**
     * Two commands of the same non-empty stem that follow each other become one step, so that dragging a slider is
     * undone at once.
     */
    default String stem() {
        return "";
    }

    /** A command from two pieces of code. */
    static Command of(String label, Runnable execute, Runnable undo) {
        return of(label, "", execute, undo);
    }

    static Command of(String label, String stem, Runnable execute, Runnable undo) {
        return new Command() {
            @Override
            public String label() {
                return label;
            }

            @Override
            public void execute() {
                execute.run();
            }

            @Override
            public void undo() {
                undo.run();
            }

            @Override
            public String stem() {
                return stem;
            }
        };
    }
}
