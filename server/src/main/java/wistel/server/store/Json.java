package wistel.server.store;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import wistel.core.docket.PlanView;
import wistel.core.docket.changes.Command;
import wistel.core.docket.findings.Finding;
import wistel.core.docket.spec.Purpose;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.WistelException;
import wistel.core.paper.Stock;
import wistel.core.pictures.SideFill;
import wistel.core.printer.ColourRoute;
import wistel.core.rendition.LocalMove;
import wistel.core.rendition.Move;
import wistel.core.rendition.Treatment;
import wistel.core.sheet.Borders;
import wistel.core.sheet.Delta;
import wistel.core.sheet.Mark;
import wistel.core.sheet.SheetPlan;

/** Records to JSON and back, the same way in the database and over the API. */
@Component
public class Json {
    /** Sums of core: in JSON each of their records says by {@code kind} which it is. */
    public static final List<Class<?>> SUMS = List.of(Command.class, Stock.class, ColourRoute.class, Treatment.class, Move.class,
        LocalMove.class, Delta.class,
        Mark.class, SheetPlan.class, Borders.class,
        SideFill.class, Purpose.class, Finding.Subject.class, PlanView.class);

    private final JsonMapper mapper;

    public Json(JsonMapper mapper) {
        this.mapper = mapper;
    }

    /** Records of a sum, those of the sums that it is made of among them. */
    public static Stream<Class<?>> records(Class<?> sum) {
        return sum.isSealed() ? Arrays.stream(sum.getPermittedSubclasses()).flatMap(Json::records) : Stream.of(sum);
    }

    /** {@code HeavierFoot} is "heavier-foot". */
    public static String kind(Class<?> record) {
        return record.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    private interface ByKind {
    }

    /** Names in maps are texts too. */
    private static final class TextKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return SoundText.of(key);
        }
    }

    private static final class Text extends StdScalarDeserializer<String> {
        Text() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser parser, DeserializationContext context) {
            String text = StringDeserializer.instance.deserialize(parser, context);
            return text == null ? null : SoundText.of(text);
        }
    }

    /** Core knows nothing of JSON, so what it needs is said here. */
    @Configuration
    static class Setup {
        @Bean
        JsonMapperBuilderCustomizer sumsByKind() {
            return builder -> {
                // a record's parts are all there, or it isn't made; no list or map holds nothing in one of its places
                builder.enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES);
                builder.changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
                builder.addModule(
                    new SimpleModule().addDeserializer(String.class, new Text()).addKeyDeserializer(String.class, new TextKey()));
                for (Class<?> sum : SUMS) {
                    builder.addMixIn(sum, ByKind.class);
                    records(sum).forEach(record -> builder.registerSubtypes(new NamedType(record, kind(record))));
                }
            };
        }
    }

    public String text(Object value) {
        return mapper.writeValueAsString(value);
    }

    public <T> T read(String text, Class<T> type) {
        return mapper.readValue(text, type);
    }

    /**
     * Of what somebody sent.
     *
     * @throws InvalidRequest when it can't be read so
     */
    public <T> T asked(String text, Class<T> type) {
        try {
            T asked = mapper.readValue(text, type);
            if (asked == null) {
                throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "What was sent says nothing.", "Ask for it again.");
            }
            return asked;
        } catch (JacksonException e) {
            for (Throwable cause = e; cause != null; cause = cause.getCause()) {
                if (cause instanceof WistelException known) {
                    throw known;
                }
            }
            throw new InvalidRequest(InvalidRequest.Reason.REQUEST_UNCLEAR, "What was sent can't be read.", "Ask for it again.");
        }
    }

    public <T> T read(JsonNode tree, Class<T> type) {
        return mapper.treeToValue(tree, type);
    }

    public <T> List<T> readList(String text, Class<T> type) {
        return mapper.readerForListOf(type).readValue(text);
    }

    /** A list of a sum's records, each with its kind. */
    public <T> String texts(List<T> values, Class<T> sum) {
        return mapper.writerFor(mapper.getTypeFactory().constructCollectionType(List.class, sum)).writeValueAsString(values);
    }

    public JsonNode tree(Object value) {
        return mapper.valueToTree(value);
    }

    /** One of a sum's records, with the kind that tells which. */
    public JsonNode sum(Object value, Class<?> sum) {
        return mapper.readTree(mapper.writerFor(sum).writeValueAsString(value));
    }

    /** One text for values that are equal, whatever order their parts were written in: object members by name, nothing between them. */
    public String canonical(JsonNode value) {
        return mapper.writeValueAsString(sorted(value));
    }

    private JsonNode sorted(JsonNode value) {
        if (value.isObject()) {
            ObjectNode object = mapper.createObjectNode();
            value.properties().stream().sorted(Map.Entry.comparingByKey()).forEach(p -> object.set(p.getKey(), sorted(p.getValue())));
            return object;
        }
        if (value.isArray()) {
            ArrayNode array = mapper.createArrayNode();
            value.forEach(item -> array.add(sorted(item)));
            return array;
        }
        return value;
    }

    public JsonNode tree(String text) {
        return mapper.readTree(text);
    }
}
