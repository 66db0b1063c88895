package dev.yardarm.desk.room.chart;

import dev.yardarm.core.instrument.Instrument;
import dev.yardarm.desk.Desk;
import dev.yardarm.desk.listening.Listeners;
import dev.yardarm.desk.listening.Listening;
import java.util.List;
import java.util.Optional;

/** The list that is gone through, one instrument after another, in the layout there is. */
public final class Rounds {
    private final Desk desk;
    private final Listeners<String> listeners = new Listeners<>();
    private String listName;

    public Rounds(Desk desk) {
        this.desk = desk;
        listName = desk.books().lists().isEmpty()
                ? ""
                : desk.books().lists().get(0).name();
    }

    public Listening listen(Runnable listener) {
        return listeners.add(name -> listener.run());
    }

    public String listName() {
        return listName;
    }

    public void setList(String name) {
        listName = name;
        listeners.tell(name);
    }

    public List<Instrument> members() {
        return desk.members(listName);
    }

    /** The instrument so many places on from another, round the ends; from outside the list its first member. */
    Optional<Instrument> from(Instrument instrument, int places) {
        List<Instrument> members = members();
        if (members.isEmpty()) {
            desk.tell("The list '" + listName + "' is empty.");
            return Optional.empty();
        }
        int at = instrument == null ? -1 : members.indexOf(instrument);
        return Optional.of(members.get(at < 0 ? 0 : Math.floorMod(at + places, members.size())));
    }
}
