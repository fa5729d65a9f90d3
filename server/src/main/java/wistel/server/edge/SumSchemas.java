package wistel.server.edge;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.stereotype.Component;
import wistel.server.store.Hash;
import wistel.server.store.Json;

/**
 * What records and sums of records are in the API's description: a sum is one of its records, told apart by {@code kind}, and a record
 * must have all of its parts but those that may be empty.
 */
@Component
class SumSchemas implements ModelConverter {
    /** Schemas are known by their simple names: a second record of one name would silently take the first one's place. */
    private final Map<String, Class<?>> named = new ConcurrentHashMap<>();

    SumSchemas() {
        SpringDocUtils.getConfig().replaceWithClass(Hash.class, String.class);
    }

    @Override
    public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        JavaType java = Json31.mapper().constructType(type.getType());
        Class<?> raw = java == null ? Object.class : java.getRawClass();
        if (raw.isRecord()) {
            Class<?> other = named.putIfAbsent(raw.getSimpleName(), raw);
            if (other != null && other != raw) {
                throw new IllegalStateException("two schemas of one name: " + other.getName() + " and " + raw.getName());
            }
        }
        if (Json.SUMS.contains(raw)) {
            return sum(raw, context);
        }
        Schema<?> resolved = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        if (Json.SUMS.stream().anyMatch(sum -> sum.isAssignableFrom(raw))) {
            tagged(raw, context);
        }
        if (raw.isRecord()) {
            required(raw, context);
        }
        return resolved;
    }

    private static Schema<?> sum(Class<?> sum, ModelConverterContext context) {
        String name = sum.getSimpleName();
        if (!context.getDefinedModels().containsKey(name)) {
            Schema<Object> one = new Schema<>();
            context.defineModel(name, one);
            // in the order of their names: the compiler's own order may change from one build to the next
            Json.records(sum).sorted(Comparator.comparing(Class::getSimpleName)).forEach(record -> {
                context.resolve(new AnnotatedType(record).resolveAsRef(true));
                one.addOneOfItem(new Schema<>().$ref("#/components/schemas/" + record.getSimpleName()));
            });
        }
        return new Schema<>().$ref("#/components/schemas/" + name);
    }

    /** Whatever may be empty need not be said. */
    private static void required(Class<?> record, ModelConverterContext context) {
        Schema<?> model = context.getDefinedModels().get(record.getSimpleName());
        if (model == null || model.getProperties() == null) {
            return;
        }
        Set<String> empty = Arrays.stream(record.getRecordComponents()).filter(c -> c.getType() == Optional.class)
            .map(RecordComponent::getName).collect(Collectors.toSet());
        model.setRequired(model.getProperties().keySet().stream().filter(name -> !empty.contains(name)).toList());
    }

    /** A record without parts has no description of its own yet. */
    private static void tagged(Class<?> record, ModelConverterContext context) {
        Schema<?> model = context.getDefinedModels().get(record.getSimpleName());
        if (model == null) {
            model = new Schema<>();
            model.setTypes(Set.of("object"));
            context.defineModel(record.getSimpleName(), model);
        }
        if (model.getProperties() == null || !model.getProperties().containsKey("kind")) {
            StringSchema kind = new StringSchema();
            kind.setTypes(Set.of("string"));
            kind.setEnum(List.of(Json.kind(record)));
            model.addProperty("kind", kind);
        }
    }
}
