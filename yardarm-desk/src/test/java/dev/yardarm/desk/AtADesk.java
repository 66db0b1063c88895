package dev.yardarm.desk;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A test at a desk with the demo's market, which stands still, and a thread in front of it; all that is told is written down. */
abstract class AtADesk {
    @TempDir
    Path home;

    final Front front = new Front();

    /** All notices, in their order. On the front's thread. */
    final List<String> told = new ArrayList<>();

    Desk desk;

    @BeforeEach
    void openDesk() throws IOException {
        desk = new Desk(new Desk.Options(home, true, 1, true), front);
        front.run(() -> desk.onNotice(told::add));
    }

    @AfterEach
    void closeAll() {
        desk.close();
        front.close();
    }
}
