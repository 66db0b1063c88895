package dev.yardarm.desk.board;

import dev.yardarm.chart.board.WallPicture;
import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.core.instrument.InstrumentId;
import dev.yardarm.core.source.Members;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.feed.Quotes;
import dev.yardarm.desk.work.Lane;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/**
 * How large the tiles of a wall are. One measure for all: the weight in an index that holds every instrument of the board; where there is none,
 * what is usually turned over in a day; where that is not known of all either, all are equal. Used by the interface's thread.
 */
public final class BoardWeights implements AutoCloseable {
    private final Desk desk;
    private final Board board;
    private final Runnable changed;
    private final String key = "board weights " + UUID.randomUUID();
    private List<Instrument> of = List.of();
    private Map<InstrumentId, Double> weights = Map.of();
    private String index = "";

    /** @param changed told on the interface's thread when weights have come */
    public BoardWeights(Desk desk, Board board, Runnable changed) {
        this.desk = desk;
        this.board = board;
        this.changed = changed;
    }

    /** An index with its members. */
    private record Weighed(String code, Map<InstrumentId, Double> weights) {
        static final Weighed NONE = new Weighed("", Map.of());
    }

    /** Sees to it that the weights are those of the instruments on the board. */
    public void follow() {
        List<Instrument> now = board.instruments();
        if (now.equals(of)) {
            return;
        }
        of = now;
        weights = Map.of();
        index = "";
        long moment = desk.feedServices().now().getAsLong();
        desk.scheduler()
                .start(
                        Lane.SOON,
                        key,
                        "",
                        job -> {
                            for (Instrument each : desk.directory().all()) {
                                job.check();
                                if (each.kind() == Instrument.Kind.INDEX) {
                                    Map<InstrumentId, Double> members = members(each, moment);
                                    if (now.stream().allMatch(one -> members.containsKey(one.id()))) {
                                        return new Weighed(each.code(), members);
                                    }
                                }
                            }
                            return Weighed.NONE;
                        },
                        found -> {
                            index = found.code();
                            weights = found.weights();
                            changed.run();
                        },
                        failed -> desk.tell("The weights of the tiles cannot be read: " + failed.getMessage()));
    }

    private Map<InstrumentId, Double> members(Instrument of, long moment) {
        Map<InstrumentId, Double> found = new HashMap<>();
        desk.directory()
                .source(of)
                .flatMap(source -> source.offers(Members.class))
                .ifPresent(each ->
                        each.members(of.id(), moment).forEach(member -> found.put(member.id(), member.weight())));
        return found;
    }

    /** The tiles of the board: by sector, or by what sort of thing they are where they have none. */
    public List<WallPicture.Item> items() {
        boolean turnover = index.isEmpty() && of.stream().allMatch(each -> turnover(each) > 0);
        List<WallPicture.Item> items = new ArrayList<>();
        for (Instrument each : of) {
            Optional<Quotes.Quote> quote = board.quote(each.id());
            double weight = !index.isEmpty() ? weights.getOrDefault(each.id(), 0.0) : turnover ? turnover(each) : 1;
            items.add(new WallPicture.Item(
                    each.id().toString(),
                    each.sector().isEmpty() ? each.kind().word() : each.sector(),
                    each.code(),
                    quote.map(Quotes.Quote::change).orElse(Double.NaN),
                    weight));
        }
        return items;
    }

    private double turnover(Instrument instrument) {
        return board.quote(instrument.id())
                .map(quote -> quote.usual() * quote.before() * instrument.pointValue())
                .orElse(Double.NaN);
    }

    /** What the areas mean, in words. */
    public String words() {
        boolean turnover = index.isEmpty() && !of.isEmpty() && of.stream().allMatch(each -> turnover(each) > 0);
        return !index.isEmpty()
                ? "Area: weight in " + index
                : turnover ? "Area: usual turnover of a day" : "Area: the same for each";
    }

    @Override
    public void close() {
        desk.scheduler().cancel(key);
    }
}
