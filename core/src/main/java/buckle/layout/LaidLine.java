package buckle.layout;

import buckle.land.Contact;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.Stationing;
import java.util.List;

/**
 * A line laid out, with what later stages need of it.
 *
 * @param line as it was drawn
 * @param contacts what of the property it meets
 */
public record LaidLine(
        FenceLine line, LineLayout layout, Stationing stationing, List<Contact> contacts, SoilAlong soil) {
    public LaidLine {
        contacts = List.copyOf(contacts);
    }

    /** Names of its places. */
    public PlaceKeys keys() {
        return new PlaceKeys(layout, line.corners().stream().map(Corner::id).toList());
    }

    /** Of the line. */
    public String id() {
        return line.id();
    }
}
