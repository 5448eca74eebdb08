package buckle.exchange.in;

import buckle.exchange.Json;
import buckle.exchange.Limits;
import buckle.exchange.Swap;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.Mark;
import buckle.site.Walk;
import buckle.site.WalkPoint;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads lines, outlines and named points of KML; an outline's outer ring becomes a closed line. Links to other files are
 * left out and said, never fetched. Source: OGC KML 2.3 (12-007r2).
 */
public final class KmlReader {
    private final XMLStreamReader xml;
    private final Swap swap;
    private final List<Walk> walks = new ArrayList<>();
    private final List<Mark> marks = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private int points;
    private int links;

    private KmlReader(XMLStreamReader xml, Swap swap) {
        this.xml = xml;
        this.swap = swap;
    }

    public static Tracks read(byte[] bytes, Swap swap) {
        Limits.checkSize(bytes.length);
        return SafeXml.read(bytes, xml -> {
            KmlReader reader = new KmlReader(xml, swap);
            reader.document();
            return new Tracks(reader.walks, reader.marks, reader.leftOut);
        });
    }

    private void document() throws XMLStreamException {
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.DTD) {
                throw new BadInput(
                        "xml.doctype",
                        SafeXml.line(xml),
                        "The file declares a document type; KML has none. Nothing was stored.");
            }
            if (event == XMLStreamConstants.START_ELEMENT) {
                element();
            }
        }
        if (links > 0) {
            leftOut.add(links + (links == 1 ? " link" : " links") + " to other files: nothing is ever fetched.");
        }
    }

    private void element() throws XMLStreamException {
        switch (xml.getLocalName()) {
            case "Placemark" -> placemark();
            case "NetworkLink" -> {
                links++;
                skip();
            }
            case "GroundOverlay", "PhotoOverlay", "ScreenOverlay" -> {
                leftOut.add("A picture laid over the ground: bring the picture itself as an underlay.");
                skip();
            }
            default -> {}
        }
    }

    private void placemark() throws XMLStreamException {
        String name = "";
        List<Geometry> geometries = new ArrayList<>();
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.END_ELEMENT && xml.getLocalName().equals("Placemark")) {
                break;
            }
            if (event == XMLStreamConstants.START_ELEMENT) {
                switch (xml.getLocalName()) {
                    case "name" -> name = name.isEmpty() ? xml.getElementText().strip() : name;
                    case "Point", "LineString", "LinearRing" -> geometries.add(geometry(xml.getLocalName()));
                    case "innerBoundaryIs" -> {
                        leftOut.add("A hole in an outline.");
                        skip();
                    }
                    case "Track", "Model" -> {
                        leftOut.add("“" + name + "”: a " + xml.getLocalName() + ", which Buckle does not read.");
                        skip();
                    }
                    default -> {}
                }
            }
        }
        for (Geometry g : geometries) {
            take(g, name);
        }
    }

    private record Geometry(String type, List<GeoPoint> points) {}

    private Geometry geometry(String type) throws XMLStreamException {
        List<GeoPoint> places = new ArrayList<>();
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.END_ELEMENT && xml.getLocalName().equals(type)) {
                break;
            }
            if (event == XMLStreamConstants.START_ELEMENT && xml.getLocalName().equals("coordinates")) {
                String at = SafeXml.line(xml);
                for (String tuple : xml.getElementText().strip().split("\\s+")) {
                    if (!tuple.isBlank()) {
                        Limits.checkPoints(++points, at);
                        places.add(place(tuple, at));
                    }
                }
            }
        }
        return new Geometry(type, places);
    }

    private GeoPoint place(String tuple, String at) {
        String[] parts = tuple.split(",");
        try {
            double lon = Double.parseDouble(parts[0]);
            double lat = Double.parseDouble(parts[1]);
            // A height of nought is what programs write that know none.
            OptionalDouble height = parts.length > 2 && !parts[2].isBlank() && Double.parseDouble(parts[2]) != 0
                    ? OptionalDouble.of(Double.parseDouble(parts[2]))
                    : OptionalDouble.empty();
            return Json.swapped(swap, lon, lat, height, at);
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
            throw new BadInput("kml.coordinates", at, "“" + tuple + "” is no longitude,latitude.");
        }
    }

    private void take(Geometry g, String name) {
        if (g.points().isEmpty()) {
            leftOut.add("“" + name + "”: no coordinates.");
        } else if (g.type().equals("Point")) {
            if (name.isBlank()) {
                leftOut.add("A point without a name.");
            } else {
                marks.add(new Mark(name, g.points().getFirst()));
            }
        } else {
            walks.add(new Walk(
                    name.isBlank() ? "Line " + (walks.size() + 1) : name,
                    List.of(g.points().stream().map(WalkPoint::of).toList())));
        }
    }

    private void skip() throws XMLStreamException {
        int depth = 1;
        while (depth > 0 && xml.hasNext()) {
            int event = xml.next();
            depth += event == XMLStreamConstants.START_ELEMENT ? 1 : event == XMLStreamConstants.END_ELEMENT ? -1 : 0;
        }
    }
}
