package buckle.exchange;

import buckle.readings.Observation;
import buckle.readings.Observed;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.deser.std.DelegatingDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;

/** What was observed says its kind. Readings as they were until job file schema 4, all of them peaks on a wire, are read as well. */
public final class Observations {
    private Observations() {}

    /** Kinds of what is observed, as they are written. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Observed.Peak.class, name = "PEAK"),
        @JsonSubTypes.Type(value = Observed.EarthTerminal.class, name = "EARTH_TERMINAL"),
        @JsonSubTypes.Type(value = Observed.Unpowered.class, name = "UNPOWERED"),
        @JsonSubTypes.Type(value = Observed.Current.class, name = "CURRENT"),
        @JsonSubTypes.Type(value = Observed.BatteryVoltage.class, name = "BATTERY_VOLTAGE"),
        @JsonSubTypes.Type(value = Observed.Resistance.class, name = "RESISTANCE"),
        @JsonSubTypes.Type(value = Observed.EarthTest.class, name = "EARTH_TEST"),
        @JsonSubTypes.Type(value = Observed.Indicator.class, name = "INDICATOR"),
        @JsonSubTypes.Type(value = Observed.Seen.class, name = "SEEN"),
        @JsonSubTypes.Type(value = Observed.Checked.class, name = "CHECKED"),
        @JsonSubTypes.Type(value = Observed.Voided.class, name = "VOIDED"),
        @JsonSubTypes.Type(value = Observed.LookedOver.class, name = "LOOKED_OVER"),
        @JsonSubTypes.Type(value = Observed.SupplyChecked.class, name = "SUPPLY_CHECKED")
    })
    public interface Kinds {}

    static JacksonModule module() {
        return new SimpleModule("buckle-observations")
                .setMixInAnnotation(Observed.class, Kinds.class)
                .setDeserializerModifier(new ValueDeserializerModifier() {
                    @Override
                    public ValueDeserializer<?> modifyDeserializer(
                            DeserializationConfig config,
                            BeanDescription.Supplier bean,
                            ValueDeserializer<?> deserializer) {
                        return bean.getBeanClass() == Observation.class
                                ? new OfEitherShape(deserializer)
                                : deserializer;
                    }
                });
    }

    /** A flat reading becomes a peak on a wire at its place. */
    private static void upgrade(ObjectNode reading) {
        ObjectNode at = Json.MAPPER.createObjectNode();
        move(reading, at, "testPointId", "lineId", "stationM");
        JsonNode lon = reading.remove("lonDeg");
        JsonNode lat = reading.remove("latDeg");
        if (lon != null && lat != null) {
            at.putArray("place").add(lon).add(lat);
        }
        reading.set("at", at);
        ObjectNode what = Json.MAPPER.createObjectNode().put("kind", "PEAK");
        move(reading, what, "wire", "peakV", "overRange", "rangeV");
        reading.set("what", what);
    }

    private static void move(ObjectNode from, ObjectNode to, String... fields) {
        for (String field : fields) {
            JsonNode value = from.remove(field);
            if (value != null) {
                to.set(field, value);
            }
        }
    }

    private static final class OfEitherShape extends DelegatingDeserializer {
        OfEitherShape(ValueDeserializer<?> delegate) {
            super(delegate);
        }

        @Override
        protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> delegate) {
            return new OfEitherShape(delegate);
        }

        @Override
        public Object deserialize(JsonParser parser, DeserializationContext context) {
            JsonNode tree = context.readTree(parser);
            if (tree instanceof ObjectNode reading && reading.has("peakV")) {
                upgrade(reading);
            }
            JsonParser again = context.treeAsTokens(tree);
            again.nextToken();
            return super.deserialize(again, context);
        }
    }
}
