package buckle.exchange;

import buckle.layout.Finding;
import buckle.material.Product;
import buckle.mechanics.Weakness;
import buckle.message.English;
import buckle.message.Message;
import buckle.units.UnitSystem;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/** Messages as JSON: their sentences, in the units of the job; a finding also has its key and its values. */
public final class Messages {
    private static final Object UNITS = new Object();

    private Messages() {}

    static JacksonModule module() {
        return new SimpleModule("buckle-messages")
                .addSerializer(InUnits.class, new UnitsWriter())
                .addSerializer(Message.class, new MessageWriter())
                .addSerializer(Finding.class, new FindingWriter())
                .addSerializer(Product.class, new ProductWriter())
                .addSerializer(Weakness.class, new WeaknessWriter());
    }

    @SuppressWarnings("rawtypes")
    private static final class UnitsWriter extends ValueSerializer<InUnits> {
        @Override
        public void serialize(InUnits told, JsonGenerator g, SerializationContext context) {
            context.setAttribute(UNITS, told.units());
            context.writeValue(g, told.content());
        }
    }

    private static final class MessageWriter extends ValueSerializer<Message> {
        @Override
        public void serialize(Message message, JsonGenerator g, SerializationContext context) {
            if (!(context.getAttribute(UNITS) instanceof UnitSystem units)) {
                throw new IllegalStateException("nobody said in which units “" + message.key() + "” is told");
            }
            g.writeString(English.text(message, units));
        }
    }

    private static final class FindingWriter extends ValueSerializer<Finding> {
        @Override
        public void serialize(Finding f, JsonGenerator g, SerializationContext context) {
            g.writeStartObject();
            write("rule", f.rule(), g, context);
            write("severity", f.severity(), g, context);
            write("lineId", f.lineId(), g, context);
            write("stationM", f.stationM(), g, context);
            g.writeStringProperty("key", f.message().key());
            write("values", f.message().facts(), g, context);
            write("message", f.message(), g, context);
            write("places", f.places(), g, context);
            write("accepted", f.accepted(), g, context);
            g.writeEndObject();
        }

        private static void write(String name, Object value, JsonGenerator g, SerializationContext context) {
            g.writeName(name);
            context.writeValue(g, value);
        }
    }

    private static final class ProductWriter extends ValueSerializer<Product> {
        @Override
        public void serialize(Product product, JsonGenerator g, SerializationContext context) {
            g.writeString(product.id());
        }
    }

    private static final class WeaknessWriter extends ValueSerializer<Weakness> {
        @Override
        public void serialize(Weakness weakness, JsonGenerator g, SerializationContext context) {
            g.writeString(weakness.text());
        }
    }
}
