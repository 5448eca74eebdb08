package buckle.exchange.in;

import buckle.exchange.Limits;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.Mark;
import buckle.site.Walk;
import buckle.site.WalkPoint;
import java.time.DateTimeException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * Reads GPX 1.1: tracks with several segments, routes, waypoints, heights, times; extensions are skipped.
 *
 * <p>Document types and entities are refused, points are counted while reading. Source: GPX 1.1 schema, 2004.
 */
public final class GpxReader {
    private final XMLStreamReader xml;
    private final List<Walk> walks = new ArrayList<>();
    private final List<Mark> marks = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private int points;

    /** A point with what its child elements said. */
    private record Point(WalkPoint at, String name) {}

    private GpxReader(XMLStreamReader xml) {
        this.xml = xml;
    }

    public static Tracks read(byte[] bytes) {
        Limits.checkSize(bytes.length);
        return SafeXml.read(bytes, xml -> {
            GpxReader reader = new GpxReader(xml);
            reader.document();
            return new Tracks(reader.walks, reader.marks, reader.leftOut);
        });
    }

    private void document() throws XMLStreamException {
        boolean root = false;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.DTD) {
                throw new BadInput(
                        "xml.doctype", line(), "The file declares a document type; GPX has none. Nothing was stored.");
            }
            if (event == XMLStreamConstants.START_ELEMENT) {
                if (!root) {
                    root = true;
                    requireGpx();
                } else {
                    topElement();
                }
            }
        }
    }

    private void requireGpx() {
        if (!xml.getLocalName().equals("gpx")) {
            throw new BadInput("gpx.root", line(), "This XML is no GPX: it starts with <" + xml.getLocalName() + ">.");
        }
    }

    private void topElement() throws XMLStreamException {
        switch (xml.getLocalName()) {
            case "wpt" -> waypoint();
            case "trk" -> line("trkpt", "trkseg", "Track");
            case "rte" -> line("rtept", "rte", "Route");
            default -> skip();
        }
    }

    private void waypoint() throws XMLStreamException {
        Point p = point();
        if (p.name().isBlank()) {
            leftOut.add("A waypoint without a name.");
        } else {
            marks.add(new Mark(p.name(), p.at().at()));
        }
    }

    /** A track with its segments, or a route as one stretch. */
    private void line(String pointName, String stretchName, String kind) throws XMLStreamException {
        String name = "";
        List<List<WalkPoint>> stretches = new ArrayList<>();
        List<WalkPoint> stretch = new ArrayList<>();
        int depth = 1;
        while (depth > 0) {
            int event = next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                String element = xml.getLocalName();
                if (element.equals(pointName)) {
                    stretch.add(point().at());
                } else if (element.equals(stretchName)) {
                    depth++;
                } else if (element.equals("name") && depth == 1) {
                    name = text();
                } else {
                    skip();
                }
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                depth--;
                if (!stretch.isEmpty()) {
                    stretches.add(stretch);
                    stretch = new ArrayList<>();
                }
            }
        }
        String title = name.isBlank() ? kind + " " + (walks.size() + 1) : name;
        if (stretches.isEmpty()) {
            leftOut.add(kind + " “" + title + "” without points.");
        } else {
            walks.add(new Walk(title, stretches));
        }
    }

    private Point point() throws XMLStreamException {
        String at = line();
        Limits.checkPoints(++points, at);
        double lat = degrees("lat", at);
        double lon = degrees("lon", at);
        OptionalDouble height = OptionalDouble.empty();
        OptionalDouble time = OptionalDouble.empty();
        String name = "";
        while (true) {
            int event = next();
            if (event == XMLStreamConstants.END_ELEMENT) {
                return new Point(new WalkPoint(place(lon, lat, height, at), time), name);
            }
            if (event == XMLStreamConstants.START_ELEMENT) {
                switch (xml.getLocalName()) {
                    case "ele" -> height = number(text());
                    case "time" -> time = seconds(text());
                    case "name" -> name = text();
                    default -> skip();
                }
            }
        }
    }

    private double degrees(String attribute, String at) {
        String value = xml.getAttributeValue(null, attribute);
        OptionalDouble number = value == null ? OptionalDouble.empty() : number(value);
        return number.orElseThrow(() -> new BadInput(
                "gpx." + attribute,
                at,
                "The point's " + attribute + " is " + (value == null ? "missing" : "no number: “" + cut(value) + "”")
                        + ". Nothing was stored."));
    }

    private static GeoPoint place(double lon, double lat, OptionalDouble height, String at) {
        try {
            return new GeoPoint(lon, lat, height);
        } catch (IllegalArgumentException e) {
            throw new BadInput("position.range", at, "The point's " + e.getMessage() + ". Nothing was stored.");
        }
    }

    private static String cut(String value) {
        return value.length() > 30 ? value.substring(0, 30) + "…" : value;
    }

    private static OptionalDouble number(String text) {
        try {
            double value = Double.parseDouble(text.trim());
            return Double.isFinite(value) ? OptionalDouble.of(value) : OptionalDouble.empty();
        } catch (NumberFormatException e) {
            return OptionalDouble.empty();
        }
    }

    private static OptionalDouble seconds(String text) {
        try {
            OffsetDateTime time = OffsetDateTime.parse(text.trim());
            return OptionalDouble.of(time.toEpochSecond() + time.getNano() * 1e-9);
        } catch (DateTimeException e) {
            return OptionalDouble.empty();
        }
    }

    private String text() throws XMLStreamException {
        StringBuilder text = new StringBuilder();
        int depth = 1;
        while (depth > 0) {
            int event = next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                depth++;
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                depth--;
            } else if ((event == XMLStreamConstants.CHARACTERS || event == XMLStreamConstants.CDATA)
                    && text.length() < 200) {
                text.append(xml.getText());
            }
        }
        return cut200(text.toString().strip());
    }

    private static String cut200(String text) {
        return text.length() > 200 ? text.substring(0, 200) : text;
    }

    private void skip() throws XMLStreamException {
        for (int depth = 1; depth > 0; ) {
            int event = next();
            depth += event == XMLStreamConstants.START_ELEMENT ? 1 : event == XMLStreamConstants.END_ELEMENT ? -1 : 0;
        }
    }

    private int next() throws XMLStreamException {
        int event = xml.next();
        if (event == XMLStreamConstants.ENTITY_REFERENCE) {
            throw new BadInput(
                    "xml.entity", line(), "The file uses an entity that is not declared. Nothing was stored.");
        }
        return event;
    }

    private String line() {
        return "line " + xml.getLocation().getLineNumber();
    }
}
