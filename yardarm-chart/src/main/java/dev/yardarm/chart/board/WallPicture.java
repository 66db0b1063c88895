package dev.yardarm.chart.board;

import dev.yardarm.chart.board.TileLayout.Tile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A board as a wall of tiles: groups beside each other, in each a tile for every instrument, areas by weight.
 *
 * @param groups with their places
 * @param tiles of all groups
 */
public record WallPicture(List<Group> groups, List<Placed> tiles) {
    /** Room for the name of a group above its tiles. */
    public static final double NAME = 20;

    private static final double GAP = 2;

    public WallPicture {
        groups = List.copyOf(groups);
        tiles = List.copyOf(tiles);
    }

    /**
     * One instrument.
     *
     * @param key tells it from others
     * @param change the day's, as a part; NaN when it is not known
     * @param weight not below zero
     */
    public record Item(String key, String group, String code, double change, double weight) {}

    /** A group and its place. */
    public record Group(String name, Tile place) {}

    /** An instrument and its place. */
    public record Placed(Item item, Tile place) {}

    /** Lays items out in a room; groups in the order of their weights. */
    public static WallPicture of(List<Item> items, double width, double height) {
        Map<String, List<Item>> byGroup = new LinkedHashMap<>();
        items.forEach(item ->
                byGroup.computeIfAbsent(item.group(), none -> new ArrayList<>()).add(item));
        List<String> names = List.copyOf(byGroup.keySet());
        double[] sums = names.stream()
                .mapToDouble(name ->
                        byGroup.get(name).stream().mapToDouble(Item::weight).sum())
                .toArray();
        List<Tile> places = TileLayout.of(sums, new Tile(0, 0, width, height));
        List<Group> groups = new ArrayList<>();
        List<Placed> tiles = new ArrayList<>();
        for (int at = 0; at < names.size(); at++) {
            Tile place = places.get(at).inside(GAP, 0);
            groups.add(new Group(names.get(at), place));
            List<Item> members = byGroup.get(names.get(at));
            double[] weights = members.stream().mapToDouble(Item::weight).toArray();
            double name = place.height() > 2.5 * NAME ? NAME : 0;
            List<Tile> inner = TileLayout.of(weights, place.inside(0, name));
            for (int member = 0; member < members.size(); member++) {
                tiles.add(new Placed(members.get(member), inner.get(member).inside(GAP / 2, 0)));
            }
        }
        return new WallPicture(groups, tiles);
    }

    /** The tile at a point. */
    public Optional<Placed> at(double x, double y) {
        return tiles.stream().filter(each -> each.place().holds(x, y)).findFirst();
    }
}
