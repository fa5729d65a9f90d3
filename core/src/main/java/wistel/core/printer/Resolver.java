package wistel.core.printer;

import java.util.Map;

/** The way out of a {@link Constraint} that the printer itself proposes (PWG 5100.13, job-resolvers-supported). */
public record Resolver(String name, Map<String, String> settings) {
    public Resolver {
        settings = Map.copyOf(settings);
    }
}
