package dev.yardarm.bench.abuse;

import dev.yardarm.core.alert.Alert;
import dev.yardarm.core.bars.Timeframe;
import dev.yardarm.core.drawing.Anchor;
import dev.yardarm.core.drawing.Drawing;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.instrument.NamedList;
import dev.yardarm.core.plan.TradePlan;
import dev.yardarm.core.stance.Stance;
import dev.yardarm.desk.Desk;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * Opens a home and changes one thing after the other without end, telling each change when it is made; somebody else ends it. The
 * same class tells what a home holds.
 */
final class Editor {
    private static final List<String> CODES = List.of("KTRL", "MARN", "EBSP", "VHRB", "NTWQ");

    private Editor() {}

    /** @param arguments the home, and the number the first change has */
    public static void main(String[] arguments) throws Exception {
        ExecutorService front = Executors.newSingleThreadExecutor();
        Desk desk = new Desk(new Desk.Options(Path.of(arguments[0]), true, 1, true), front);
        long number = Long.parseLong(arguments[1]);
        Random random = new Random(number);
        for (String code : CODES) {
            front.submit(() -> desk.books().drawings(id(code))).get();
        }
        Thread.sleep(150);
        System.out.println("ready");
        while (true) {
            long fact = number++;
            String code = CODES.get(random.nextInt(CODES.size()));
            String kind = front.submit(() -> change(desk, id(code), fact, random.nextInt(6)))
                    .get();
            System.out.println(kind + " " + code + " " + fact + " " + System.currentTimeMillis());
            Thread.sleep(random.nextInt(40));
        }
    }

    static InstrumentId id(String code) {
        return new InstrumentId("halcyon", code);
    }

    private static String change(Desk desk, InstrumentId id, long fact, int which) {
        switch (which) {
            case 0 -> {
                List<Drawing> more = new ArrayList<>(desk.books().drawings(id));
                more.add(new Drawing(
                        "d" + fact,
                        Drawing.LEVEL,
                        Timeframe.DAY,
                        List.of(new Anchor(1_700_000_000_000_000L, fact)),
                        1));
                desk.books().setDrawings(id, more);
                return "drawing";
            }
            case 1 -> {
                desk.books().listShelf().put(new NamedList("list " + fact, List.of(id)));
                return "list";
            }
            case 2 -> {
                desk.books()
                        .alertShelf()
                        .put(Alert.onDrawing(
                                "a" + fact,
                                id,
                                "none",
                                Alert.Trigger.REACHES,
                                Timeframe.DAY,
                                true,
                                1_700_000_000_000_000L));
                return "alert";
            }
            case 3 -> {
                desk.books()
                        .planShelf()
                        .put(new TradePlan("p" + fact, id, Timeframe.DAY, fact + 1, 100, 98, 105, 25_000, 1));
                return "plan";
            }
            case 4 -> {
                desk.stanceWork().write(id, "note " + fact);
                return "note";
            }
            default -> {
                desk.habits().setFavourite("rsi", fact % 2 == 0);
                return "habit";
            }
        }
    }

    /** True when a home holds what a change made; a note holds it or a later one. */
    static boolean holds(Desk desk, String kind, String code, long fact) {
        return switch (kind) {
            case "drawing" ->
                desk.books().drawingsAnywhere(id(code)).stream()
                        .anyMatch(each -> each.id().equals("d" + fact));
            case "list" -> desk.books().list("list " + fact).isPresent();
            case "alert" -> desk.books().alertShelf().get("a" + fact).isPresent();
            case "plan" -> desk.books().planShelf().get("p" + fact).isPresent();
            case "note" ->
                Optional.of(desk.books().stance(id(code)))
                                .map(Stance::note)
                                .filter(note -> note.startsWith("note "))
                                .map(note -> Long.parseLong(note.substring(5)))
                                .orElse(-1L)
                        >= fact;
            default -> true;
        };
    }
}
