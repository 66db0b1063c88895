package dev.yardarm.desk.line;

import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.desk.room.layout.Arrangement;
import dev.yardarm.desk.room.layout.LinkRules;
import dev.yardarm.desk.room.layout.WorkspaceFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;

/** Lines about layouts, links and the workspace. */
public final class LayoutLines {
    private LayoutLines() {}

    public record Arrange(Arrangement arrangement) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.layouts().arrange(arrangement);
        }
    }

    public record NewLayout(String title, Arrangement arrangement) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.layouts().add(title, arrangement);
        }
    }

    public record NameLayout(String title) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            hands.layouts().rename(hands.layouts().focused(), title);
        }
    }

    public record StepDown(List<Timeframe> timeframes) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.layouts().stepDown(timeframes);
        }
    }

    /** @param shared null to leave what the colour shares as it is */
    public record SetLink(int colour, Set<LinkRules.Shared> shared) implements LineCommand {
        @Override
        public void run(Hands hands) {
            if (shared != null) {
                hands.layouts().setLinks(colour, shared);
            }
            hands.room().setLink(colour);
        }
    }

    public record SetTitle(String title) implements LineCommand {
        @Override
        public void run(Hands hands) {
            hands.room().setTitle(title);
        }
    }

    /** Export or import of the whole workspace. */
    public record OfWorkspace(boolean export, Path file) implements LineCommand {
        @Override
        public boolean onChart() {
            return false;
        }

        @Override
        public void run(Hands hands) {
            Path whole = file.toAbsolutePath();
            if (!export) {
                WorkspaceFile.importBeside(whole, hands.layouts());
            } else if (hands.mayWrite(whole)) {
                hands.exportWorkspace(whole);
            }
        }
    }
}
