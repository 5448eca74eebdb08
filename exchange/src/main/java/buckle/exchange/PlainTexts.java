package buckle.exchange;

import buckle.site.Texts;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Texts as they come from outside: plain, in whole characters, of a length people write; only notes have several lines. */
final class PlainTexts {
    private PlainTexts() {}

    static JacksonModule module() {
        return new SimpleModule("buckle-plain-texts")
                .addDeserializer(String.class, new Checked())
                .addKeyDeserializer(String.class, new CheckedKey());
    }

    /** @param field name of the member that holds it, or holds the list it stands in */
    static Optional<String> flaw(String text, String field) {
        return Texts.flaw(text, Texts.LONGEST_TEXT, field.equals("note") || field.equals("notes"));
    }

    private static final class Checked extends ValueDeserializer<String> {
        @Override
        public String deserialize(JsonParser parser, DeserializationContext context) {
            if (!parser.hasToken(JsonToken.VALUE_STRING)) {
                throw DatabindException.from(parser, "no text");
            }
            String text = parser.getString();
            String field = parser.currentName();
            Optional<String> flaw = flaw(text, field == null ? "" : field);
            if (flaw.isPresent()) {
                throw refused(parser, flaw.get());
            }
            return text;
        }
    }

    private static final class CheckedKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            Optional<String> flaw = flaw(key, "");
            if (flaw.isPresent()) {
                throw refused(context.getParser(), flaw.get());
            }
            return key;
        }
    }

    private static JacksonException refused(JsonParser parser, String flaw) {
        return DatabindException.from(parser, flaw, new IllegalArgumentException(flaw));
    }
}
