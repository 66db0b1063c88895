package dev.yardarm.market.generator;

import dev.yardarm.market.chance.Dice;
import dev.yardarm.market.planted.Template;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What is planted in the history of a company: up to three structures, far enough from each other, some of which were completed not long
 * before the present. Told by the seed and the code alone.
 */
final class Plantings {
    /** Sessions before the first, which are as usual, and between two. */
    private static final int LEAD = 300;

    private static final int APART = 420;
    /** The newest end so many sessions before the present at least, and at most. */
    private static final int NEWEST = 3;

    private static final int RECENT = 40;
    private static final double[] CLARITIES = {1, 1, 0.7, 0.5};

    private Plantings() {}

    /** @param first session of its first close */
    record Place(Template template, int[] legs, double clarity, int first) {
        int sessions() {
            return Arrays.stream(legs).sum();
        }
    }

    /**
     * In the order of time; none overlaps another.
     *
     * @param present the session of the present
     * @param recent whether the newest months may have one
     */
    static List<Place> of(Dice dice, int present, boolean recent) {
        List<Place> places = new ArrayList<>();
        int from = LEAD + dice.below(APART);
        while (from < present - RECENT - APART / 2 && places.size() < 3) {
            Place place = place(dice, from);
            if (dice.uniform() < 0.5 && from + place.sessions() < present - RECENT) {
                places.add(place);
            }
            from += place.sessions() + APART + dice.below(2 * APART);
        }
        Place last = place(dice, 0);
        int first = present - NEWEST - dice.below(RECENT) - last.sessions();
        boolean free = places.isEmpty()
                || places.get(places.size() - 1).first()
                                + places.get(places.size() - 1).sessions()
                                + APART / 4
                        < first;
        if (recent && dice.uniform() < 0.4 && free) {
            places.add(new Place(last.template(), last.legs(), last.clarity(), first));
        }
        return places;
    }

    private static Place place(Dice dice, int first) {
        List<String> kinds = Template.kinds();
        List<Template> forms = Template.of(kinds.get(dice.below(kinds.size())));
        Template template = forms.get(dice.below(forms.size()));
        return new Place(template, template.legs(dice), CLARITIES[dice.below(CLARITIES.length)], first);
    }
}
