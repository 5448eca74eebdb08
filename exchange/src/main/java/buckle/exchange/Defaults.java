package buckle.exchange;

import buckle.price.JobTerms;
import buckle.pulse.Drift;
import buckle.pulse.EnergizerRating;
import buckle.site.Gate;
import buckle.site.LineBook;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.PulseModel;
import java.util.Map;
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

/** Parts that older plans and files do not have yet are read as what they were laid out by then. */
public final class Defaults {
    private static final Map<Class<?>, Object> BY_TYPE = Map.of(
            Circumstances.class,
            Circumstances.USUAL,
            PulseModel.class,
            PulseModel.USUAL,
            Drift.class,
            Drift.NONE,
            EnergizerRating.Draw.class,
            EnergizerRating.Draw.NOT_SAID,
            Gate.GateFit.class,
            Gate.GateFit.USUAL,
            LineBook.class,
            LineBook.EMPTY,
            Decisions.class,
            Decisions.NONE,
            JobTerms.Cutting.class,
            JobTerms.Cutting.EACH);

    private Defaults() {}

    static JacksonModule module() {
        return new SimpleModule("buckle-defaults").setDeserializerModifier(new ValueDeserializerModifier() {
            @Override
            public ValueDeserializer<?> modifyDeserializer(
                    DeserializationConfig config, BeanDescription.Supplier bean, ValueDeserializer<?> deserializer) {
                Object otherwise = BY_TYPE.get(bean.getBeanClass());
                return otherwise == null ? deserializer : new Otherwise(deserializer, otherwise);
            }
        });
    }

    private static final class Otherwise extends DelegatingDeserializer {
        private final Object value;

        Otherwise(ValueDeserializer<?> delegate, Object value) {
            super(delegate);
            this.value = value;
        }

        @Override
        protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> delegate) {
            return new Otherwise(delegate, value);
        }

        /** A drift was told by stretches of line for a day (2026-11-30); it is found anew with the next yardstick. */
        @Override
        public Object deserialize(JsonParser parser, DeserializationContext context) {
            if (value != Drift.NONE) {
                return super.deserialize(parser, context);
            }
            JsonNode drift = context.readTree(parser);
            if (drift.has("stretches")) {
                return value;
            }
            JsonParser again = context.treeAsTokens(drift);
            again.nextToken();
            return super.deserialize(again, context);
        }

        @Override
        public Object getAbsentValue(DeserializationContext context) {
            return value;
        }

        @Override
        public Object getNullValue(DeserializationContext context) {
            return value;
        }
    }
}
