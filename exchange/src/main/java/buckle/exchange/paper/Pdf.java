package buckle.exchange.paper;

import buckle.task.Cancellation;
import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.extend.FSObjectDrawerFactory;
import com.openhtmltopdf.extend.FSTextBreaker;
import com.openhtmltopdf.layout.UrlAwareLineBreakIterator;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.BreakIterator;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.w3c.dom.Element;

/** A page description with drawings becomes a PDF. */
public final class Pdf {
    /** CSS pixels are 1/96 in. */
    static final double MM_PER_PX = 25.4 / 96;

    /** A typeface with more letters than the built-in ones of PDF; it comes with the PDF library. */
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private Pdf() {}

    /** Draws into a box of a size in CSS pixels. */
    interface Drawing {
        void draw(Graphics2D g, double width, double height);
    }

    /** @param drawings by the {@code id} of their {@code object} elements */
    static byte[] render(String html, Map<String, Drawing> drawings) {
        XRLog.setLoggingEnabled(false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.withHtmlContent(html, null);
        builder.useFont(Pdf::font, "sheet", 400, FontStyle.NORMAL, true);
        builder.useObjectDrawerFactory(new Drawers(drawings));
        builder.useUnicodeLineBreaker(new Breaker());
        builder.toStream(out);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException("writing a PDF into memory", e);
        }
        return out.toByteArray();
    }

    static Font awtFont(float size) {
        try (InputStream font = font()) {
            return Font.createFont(Font.TRUETYPE_FONT, font).deriveFont(size);
        } catch (IOException | FontFormatException e) {
            throw new IllegalStateException("the typeface " + FONT + " cannot be read", e);
        }
    }

    private static InputStream font() {
        InputStream font = Pdf.class.getResourceAsStream(FONT);
        if (font == null) {
            throw new IllegalStateException("the typeface " + FONT + " is missing");
        }
        return font;
    }

    /** The library's own line breaker, which is asked for every text: a paper nobody waits for any more stops here. */
    private static final class Breaker implements FSTextBreaker {
        private final FSTextBreaker usual = new UrlAwareLineBreakIterator(BreakIterator.getLineInstance(Locale.US));

        @Override
        public int next() {
            return usual.next();
        }

        @Override
        public void setText(String text) {
            Cancellation.check();
            usual.setText(text);
        }
    }

    private record Drawers(Map<String, Drawing> drawings) implements FSObjectDrawerFactory {
        @Override
        public FSObjectDrawer createDrawer(Element e) {
            Drawing drawing = Objects.requireNonNull(drawings.get(e.getAttribute("id")));
            return (element, x, y, width, height, device, context, dotsPerPixel) -> {
                device.drawWithGraphics(
                        (float) x,
                        (float) y,
                        (float) width / dotsPerPixel,
                        (float) height / dotsPerPixel,
                        g -> drawing.draw(g, width / dotsPerPixel, height / dotsPerPixel));
                return Map.of();
            };
        }

        @Override
        public boolean isReplacedObject(Element e) {
            return e.getNodeName().equals("object");
        }
    }
}
