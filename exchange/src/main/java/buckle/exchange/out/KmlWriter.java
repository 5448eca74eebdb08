package buckle.exchange.out;

import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.site.GeoPoint;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes KML 2.2 for a map: lines, strong posts, and what is on the property. Source: OGC 07-147r2. */
public final class KmlWriter {
    private final XMLStreamWriter xml;

    private KmlWriter(XMLStreamWriter xml) {
        this.xml = xml;
    }

    public static byte[] write(String name, Layout layout, Land land) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            XMLStreamWriter xml =
                    XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            new KmlWriter(xml).document(name, layout, land);
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("writing XML into memory", e);
        }
        return out.toByteArray();
    }

    private void document(String name, Layout layout, Land land) throws XMLStreamException {
        xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
        xml.writeStartElement("kml");
        xml.writeDefaultNamespace("http://www.opengis.net/kml/2.2");
        xml.writeStartElement("Document");
        text("name", name);
        for (LineLayout line : layout.lines()) {
            List<GeoPoint> path = new ArrayList<>(line.corners());
            if (line.closed()) {
                path.add(path.getFirst());
            }
            placemark(line.name(), "Fence line, " + Math.round(line.lengthM()) + " m", "LineString", path);
            for (Post post : line.posts()) {
                if (post.kind().strong() && !post.shared()) {
                    placemark(
                            GpxWriter.title(line, post),
                            "Station " + String.format(Locale.ROOT, "%.2f m", post.stationM()),
                            "Point",
                            List.of(GeoPoint.of(post.lonDeg(), post.latDeg())));
                }
            }
        }
        for (LandFeature f : land.features()) {
            land(f);
        }
        xml.writeEndElement();
        xml.writeEndElement();
        xml.writeEndDocument();
    }

    private void land(LandFeature f) throws XMLStreamException {
        String about = f.kind().text() + (f.note().isBlank() ? "" : ". " + f.note());
        if (f.shape() == LandKind.Shape.AREA) {
            List<GeoPoint> ring = new ArrayList<>(f.points());
            ring.add(ring.getFirst());
            placemark(f.title(), about, "Polygon", ring);
        } else {
            placemark(f.title(), about, f.shape() == LandKind.Shape.LINE ? "LineString" : "Point", f.points());
        }
    }

    private void placemark(String name, String about, String geometry, List<GeoPoint> points)
            throws XMLStreamException {
        xml.writeStartElement("Placemark");
        text("name", name);
        text("description", about);
        xml.writeStartElement(geometry);
        if (geometry.equals("Polygon")) {
            xml.writeStartElement("outerBoundaryIs");
            xml.writeStartElement("LinearRing");
        }
        text(
                "coordinates",
                points.stream()
                        .map(p -> String.format(Locale.ROOT, "%.8f,%.8f", p.lonDeg(), p.latDeg()))
                        .collect(Collectors.joining(" ")));
        if (geometry.equals("Polygon")) {
            xml.writeEndElement();
            xml.writeEndElement();
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private void text(String element, String text) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeCharacters(GpxWriter.printable(text));
        xml.writeEndElement();
    }
}
