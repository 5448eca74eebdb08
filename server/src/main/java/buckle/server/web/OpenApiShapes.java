package buckle.server.web;

import buckle.exchange.InUnits;
import buckle.exchange.Observations;
import buckle.layout.Finding;
import buckle.mechanics.Weakness;
import buckle.message.Message;
import buckle.readings.Observed;
import buckle.rulebook.Rule;
import buckle.site.GeoPoint;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Tells the OpenAPI document what the core's records look like as JSON: all fields present, unknown ones null. */
@Configuration
class OpenApiShapes {
    @Bean
    OpenAPI buckleApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Buckle")
                        .version("1")
                        .description("Lengths in metres, voltages in volts, angles in degrees, times in UTC."));
    }

    /** Places are arrays; the fields of a record are all required; optional ones may be null. */
    @Component
    static class Records implements ModelConverter {
        private final Map<String, Class<?>> named = new ConcurrentHashMap<>();

        /** Shapes go by their simple names: of two that share one, the document would tell only one. */
        private void alone(Class<?> type) {
            Class<?> known = named.putIfAbsent(type.getSimpleName(), type);
            if (type.isRecord() && known != null && known != type) {
                throw new IllegalStateException(known + " and " + type + " share a name in the API: rename one.");
            }
        }

        @Override
        public @Nullable Schema<?> resolve(
                AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            JavaType java = Json.mapper().constructType(type.getType());
            if (java != null && java.getRawClass() == GeoPoint.class) {
                return new ArraySchema()
                        .items(new NumberSchema())
                        .minItems(2)
                        .maxItems(3)
                        .description("longitude, latitude in degrees, height in metres when known");
            }
            if (java != null && java.getRawClass() == InUnits.class) {
                return context.resolve(new AnnotatedType(java.containedType(0)).resolveAsRef(type.isResolveAsRef()));
            }
            if (java != null && Message.class.isAssignableFrom(java.getRawClass())) {
                return new StringSchema().description("a sentence in the units of the job");
            }
            if (java != null && java.getRawClass() == Weakness.class) {
                return new StringSchema();
            }
            if (java != null && java.getRawClass() == Rule.class) {
                return new StringSchema().description("id of a rule");
            }
            if (java != null && java.getRawClass() == Observed.class) {
                return observed(context);
            }
            if (java != null && java.getRawClass().isRecord()) {
                alone(java.getRawClass());
            }
            Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            if (java != null && java.getRawClass().isRecord()) {
                Schema<?> model =
                        context.getDefinedModels().get(java.getRawClass().getSimpleName());
                if (model != null && model.getProperties() != null) {
                    if (java.getRawClass() == Finding.class) {
                        finding(model);
                    }
                    complete(model, java.getRawClass());
                }
            }
            return schema;
        }

        /** One of its kinds, told apart by {@code kind}. */
        private static Schema<?> observed(ModelConverterContext context) {
            Schema<?> any = new Schema<>();
            for (JsonSubTypes.Type type :
                    Observations.Kinds.class.getAnnotation(JsonSubTypes.class).value()) {
                any.addOneOfItem(context.resolve(new AnnotatedType(type.value()).resolveAsRef(true)));
                Schema<?> model = Objects.requireNonNull(
                        context.getDefinedModels().get(type.value().getSimpleName()));
                model.addProperty("kind", new StringSchema()._enum(List.of(type.name())));
                model.addRequiredItem("kind");
            }
            return any;
        }

        /** What a finding has besides its record: what kind of message it is, and its values. */
        private static void finding(Schema<?> model) {
            model.getProperties().put("key", new StringSchema());
            model.getProperties().put("values", new ObjectSchema().additionalProperties(true));
            model.addRequiredItem("key");
            model.addRequiredItem("values");
        }

        private static void complete(Schema<?> model, Class<?> record) {
            for (RecordComponent component : record.getRecordComponents()) {
                String name = component.getName();
                Schema<?> property = model.getProperties().get(name);
                if (property == null) {
                    continue;
                }
                if (component.getType() == OptionalDouble.class) {
                    property = nullable(new Schema<>().types(Set.of("number")));
                } else if (component.getType() == OptionalInt.class) {
                    property = nullable(new Schema<>().types(Set.of("integer")));
                } else if (component.getType() == Optional.class) {
                    property = nullable(property);
                }
                model.getProperties().put(name, property);
                if (model.getRequired() == null || !model.getRequired().contains(name)) {
                    model.addRequiredItem(name);
                }
            }
        }

        /** A choice that may be left open names that as well. */
        private static <T> void withNull(Schema<T> choice) {
            List<T> values = new ArrayList<>(choice.getEnum());
            if (!values.contains(null)) {
                values.add(null);
            }
            choice.setEnum(values);
        }

        private static Schema<?> nullable(Schema<?> property) {
            Schema<?> none = new Schema<>().types(Set.of("null"));
            if (property.get$ref() != null) {
                return new Schema<>().anyOf(List.of(property, none));
            }
            if (property.getTypes() == null || property.getTypes().contains("null")) {
                return property;
            }
            Set<String> types = new LinkedHashSet<>(property.getTypes());
            types.add("null");
            property.setTypes(types);
            if (property.getEnum() != null) {
                withNull(property);
            }
            return property;
        }
    }
}
