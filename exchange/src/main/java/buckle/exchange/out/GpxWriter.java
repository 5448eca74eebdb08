package buckle.exchange.out;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.Site;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes GPX 1.1 for a handheld: each strong post a waypoint, each line a track. Source: GPX 1.1 schema, 2004. */
public final class GpxWriter {
    private static final String NAMESPACE = "http://www.topografix.com/GPX/1/1";

    private final XMLStreamWriter xml;

    private GpxWriter(XMLStreamWriter xml) {
        this.xml = xml;
    }

    public static byte[] write(Site site, Layout layout) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            XMLStreamWriter xml =
                    XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            new GpxWriter(xml).document(site, layout);
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("writing XML into memory", e);
        }
        return out.toByteArray();
    }

    private void document(Site site, Layout layout) throws XMLStreamException {
        xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
        xml.writeStartElement("gpx");
        xml.writeDefaultNamespace(NAMESPACE);
        xml.writeAttribute("version", "1.1");
        xml.writeAttribute("creator", "Buckle");
        for (LineLayout line : layout.lines()) {
            for (Post post : line.posts()) {
                if (post.kind().strong() && !post.shared()) {
                    point("wpt", post.lonDeg(), post.latDeg(), title(line, post));
                }
            }
        }
        for (FenceLine line : site.lines()) {
            track(line);
        }
        xml.writeEndElement();
        xml.writeEndDocument();
    }

    static String title(LineLayout line, Post post) {
        String kind = post.kind().name().toLowerCase(Locale.ROOT);
        return line.name() + " " + kind + " " + (post.label().isEmpty() ? post.number() : post.label());
    }

    private void track(FenceLine line) throws XMLStreamException {
        List<Corner> corners = new ArrayList<>(line.corners());
        if (line.closed()) {
            corners.add(corners.getFirst());
        }
        xml.writeStartElement("trk");
        element("name", line.name());
        xml.writeStartElement("trkseg");
        for (Corner corner : corners) {
            point("trkpt", corner.at().lonDeg(), corner.at().latDeg(), "");
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private void point(String element, double lonDeg, double latDeg, String name) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeAttribute("lat", String.format(Locale.ROOT, "%.8f", latDeg));
        xml.writeAttribute("lon", String.format(Locale.ROOT, "%.8f", lonDeg));
        if (!name.isEmpty()) {
            element("name", name);
        }
        xml.writeEndElement();
    }

    private void element(String name, String text) throws XMLStreamException {
        xml.writeStartElement(name);
        xml.writeCharacters(printable(text));
        xml.writeEndElement();
    }

    /** XML 1.0 has no place for control characters. */
    public static String printable(String text) {
        return text.replaceAll("[\\p{Cntrl}&&[^\t\n\r]]", " ");
    }
}
