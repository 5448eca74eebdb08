package buckle.exchange;

import buckle.site.BadInput;
import buckle.site.GeoPoint;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/** JSON as Buckle writes it: a place is {@code [longitude, latitude]} or {@code [longitude, latitude, height]}. */
public final class Json {
    /** A grid of heights has most of them: six million in a job file. */
    public static final StreamReadConstraints LIMITS = StreamReadConstraints.builder()
            .maxNestingDepth(100)
            .maxNumberLength(100)
            .maxNameLength(2000)
            .maxTokenCount(8_000_000)
            .build();

    public static final JsonMapper MAPPER = configure(JsonMapper.builder(
                    JsonFactory.builder().streamReadConstraints(LIMITS).build()))
            .build();

    private Json() {}

    public static JsonMapper.Builder configure(JsonMapper.Builder builder) {
        return builder.addModule(places())
                .addModule(Messages.module())
                .addModule(Defaults.module())
                .addModule(Observations.module())
                .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
                .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
                // A blank text is no number and no date: neither zero nor left out.
                .withCoercionConfigDefaults(all -> all.setCoercion(CoercionInputShape.EmptyString, CoercionAction.Fail))
                .enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL))
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES);
    }

    private static JacksonModule places() {
        return new SimpleModule("buckle")
                .addSerializer(GeoPoint.class, new PlaceWriter())
                .addDeserializer(GeoPoint.class, new PlaceReader());
    }

    /** Parses a whole document; a problem names line and column. */
    public static JsonNode parse(byte[] bytes) {
        try {
            JsonNode node = MAPPER.readTree(bytes);
            if (node == null || node.isMissingNode()) {
                throw new BadInput("json.empty", "file", "The file holds no JSON.");
            }
            return node;
        } catch (StreamReadException e) {
            var at = e.getLocation();
            throw new BadInput(
                    "json.broken",
                    "line " + at.getLineNr() + ", column " + at.getColumnNr(),
                    "The file is not proper JSON: " + e.getOriginalMessage() + ".");
        } catch (JacksonException e) {
            throw new BadInput("json.broken", "file", "The file is not proper JSON: " + e.getOriginalMessage() + ".");
        }
    }

    /** JSON of strangers: besides what {@link #MAPPER} asks for, texts are plain, in whole characters and of a length people write. */
    public static JsonMapper.Builder strict(JsonMapper.Builder builder) {
        return configure(builder).addModule(PlainTexts.module());
    }

    /** Refuses a tree with a text that is not plain, with its path. */
    public static void requirePlainTexts(JsonNode root) {
        requirePlainTexts(root, "", "");
    }

    private static void requirePlainTexts(JsonNode node, String path, String field) {
        if (node.isString()) {
            PlainTexts.flaw(node.asString(), field).ifPresent(flaw -> {
                throw new BadInput("text.plain", path, upper(flaw) + ". Nothing was stored.");
            });
        }
        if (node.isObject()) {
            for (Map.Entry<String, JsonNode> member : node.properties()) {
                String inner = path.isEmpty() ? member.getKey() : path + "." + member.getKey();
                PlainTexts.flaw(member.getKey(), "").ifPresent(flaw -> {
                    throw new BadInput("text.plain", path, "The name of a member: " + flaw + ". Nothing was stored.");
                });
                requirePlainTexts(member.getValue(), inner, member.getKey());
            }
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                JsonNode item = node.get(i);
                if (item.isContainer() || item.isString()) {
                    requirePlainTexts(item, path + "[" + i + "]", field);
                }
            }
        }
    }

    /** Reads a part of a document as a record; a problem names the field. */
    public static <T> T read(JsonNode node, Class<T> type, String path) {
        if (node.isNull()) {
            throw new BadInput("json.value", path, "A value is missing here.");
        }
        try {
            return MAPPER.treeToValue(node, type);
        } catch (JacksonException e) {
            throw new BadInput("json.value", path + path(e), sentence(e));
        }
    }

    /** Where in the document a value could not be read, {@code .schedule.wires[2].heightM}. */
    public static String path(JacksonException e) {
        StringBuilder path = new StringBuilder();
        if (e instanceof DatabindException d) {
            for (JacksonException.Reference r : d.getPath()) {
                path.append(r.getPropertyName() != null ? "." + r.getPropertyName() : "[" + r.getIndex() + "]");
            }
        }
        return path.toString();
    }

    /** What is wrong, in one sentence without class names. */
    public static String sentence(JacksonException e) {
        Throwable cause = e.getCause();
        if (cause instanceof IllegalArgumentException && cause.getMessage() != null) {
            return upper(cause.getMessage()) + ".";
        }
        String message = e.getOriginalMessage();
        if (message.contains("not one of the values accepted for Enum class")) {
            return "Not one of the known words " + message.substring(message.lastIndexOf('[')) + ".";
        }
        if (message.startsWith("Duplicate Object property")) {
            return "The same member stands twice.";
        }
        if (message.contains("Floating-point value") && message.contains("out of")
                || message.contains("out of range of")
                || e instanceof StreamConstraintsException) {
            return "A number or text here is longer than is read.";
        }
        if (message.startsWith("Unrecognized property")) {
            return "This field is not known.";
        }
        if (message.contains("Null value for creator property")
                || message.contains("Missing required creator property")
                || message.contains("Invalid `null` value")) {
            return "A value is missing here.";
        }
        return "The value does not fit this field.";
    }

    private static String upper(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** A place of a GeoJSON position; a problem names its path. */
    public static GeoPoint place(JsonNode position, String path) {
        return place(position, path, Swap.NONE);
    }

    public static GeoPoint place(JsonNode position, String path, Swap swap) {
        if (!position.isArray()
                || position.size() < 2
                || !position.get(0).isNumber()
                || !position.get(1).isNumber()) {
            throw new BadInput("position", path, "A position is [longitude, latitude] in degrees.");
        }
        double lon = position.get(0).asDouble();
        double lat = position.get(1).asDouble();
        JsonNode height = position.path(2);
        return swapped(
                swap,
                lon,
                lat,
                height.isNumber() ? OptionalDouble.of(height.asDouble()) : OptionalDouble.empty(),
                path);
    }

    /** A place read with a swap; one that only makes sense with latitude and longitude swapped says so. */
    public static GeoPoint swapped(Swap swap, double lon, double lat, OptionalDouble height, String path) {
        try {
            return swap.of(lon, lat, height);
        } catch (IllegalArgumentException e) {
            boolean other = Math.abs(lon) <= 90 && Math.abs(lat) <= 180;
            throw new BadInput(
                    other ? "position.swapped" : "position.range",
                    path,
                    upper(Objects.requireNonNullElse(e.getMessage(), "this place is not on the earth"))
                            + (other ? ". Latitude and longitude look swapped; it can be read so." : "."));
        }
    }

    private static final class PlaceWriter extends ValueSerializer<GeoPoint> {
        @Override
        public void serialize(GeoPoint p, JsonGenerator g, SerializationContext context) {
            g.writeStartArray();
            g.writeNumber(p.lonDeg());
            g.writeNumber(p.latDeg());
            if (p.heightM().isPresent()) {
                g.writeNumber(p.heightM().getAsDouble());
            }
            g.writeEndArray();
        }
    }

    private static final class PlaceReader extends ValueDeserializer<GeoPoint> {
        @Override
        public GeoPoint deserialize(JsonParser p, DeserializationContext context) {
            JsonNode node = context.readTree(p);
            if (node.size() > 3) {
                throw new IllegalArgumentException("a place is [longitude, latitude] or [longitude, latitude, height]");
            }
            try {
                return place(node, "");
            } catch (BadInput e) {
                throw new IllegalArgumentException(e.problems().getFirst().message(), e);
            }
        }
    }
}
