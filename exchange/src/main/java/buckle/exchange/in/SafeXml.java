package buckle.exchange.in;

import buckle.site.BadInput;
import java.io.ByteArrayInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/** XML of strangers: no document types, no entities, nothing fetched; what is broken is said with its line. */
public final class SafeXml {
    private SafeXml() {}

    /** Something that reads a document. */
    interface Reading<T> {
        T read(XMLStreamReader xml) throws XMLStreamException;
    }

    static <T> T read(byte[] bytes, Reading<T> reading) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        @Nullable XMLStreamReader xml = null;
        try {
            xml = factory.createXMLStreamReader(new ByteArrayInputStream(bytes));
            return reading.read(xml);
        } catch (XMLStreamException e) {
            int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNumber());
            throw new BadInput("xml.broken", "line " + line, "The file is not proper XML here. Nothing was stored.");
        } finally {
            close(xml);
        }
    }

    private static void close(@Nullable XMLStreamReader xml) {
        try {
            if (xml != null) {
                xml.close();
            }
        } catch (XMLStreamException e) {
            throw new IllegalStateException("closing an XML reader over bytes in memory", e);
        }
    }

    static String line(XMLStreamReader xml) {
        return "line " + xml.getLocation().getLineNumber();
    }

    /** The name of the first element. */
    static String root(byte[] bytes) {
        return read(bytes, xml -> {
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamReader.START_ELEMENT) {
                    return xml.getLocalName();
                }
            }
            return "";
        });
    }
}
