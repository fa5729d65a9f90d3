package wistel.server.store;

import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Records to the text of jsonb columns and back. */
@Component
public class Json {
    private final JsonMapper mapper;

    public Json(JsonMapper mapper) {
        this.mapper = mapper;
    }

    public String text(Object value) {
        return mapper.writeValueAsString(value);
    }

    public <T> T read(String text, Class<T> type) {
        return mapper.readValue(text, type);
    }
}
