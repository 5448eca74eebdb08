package buckle.exchange.paper;

import buckle.exchange.out.GpxWriter;
import io.pebbletemplates.pebble.PebbleEngine;
import io.pebbletemplates.pebble.loader.ClasspathLoader;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;

/** A page with its values filled in; what they hold is escaped. */
final class Template {
    private static final PebbleEngine ENGINE = engine();

    private Template() {}

    private static PebbleEngine engine() {
        ClasspathLoader pages = new ClasspathLoader(Template.class.getClassLoader());
        pages.setPrefix("buckle/exchange/paper");
        return new PebbleEngine.Builder()
                .loader(pages)
                .strictVariables(true)
                .defaultLocale(Locale.ROOT)
                .build();
    }

    static String filled(String name, Map<String, Object> values) {
        StringWriter page = new StringWriter();
        try {
            ENGINE.getTemplate(name).evaluate(page, values);
        } catch (IOException e) {
            throw new UncheckedIOException("filling a page in memory", e);
        }
        // XML has no place for control characters, escaped or not.
        return GpxWriter.printable(page.toString());
    }

    /** A length of a style sheet. */
    static String mm(double value) {
        return String.format(Locale.ROOT, "%.2fmm", value);
    }
}
