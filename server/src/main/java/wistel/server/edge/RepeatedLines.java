package wistel.server.edge;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.turbo.TurboFilter;
import ch.qos.logback.core.spi.FilterReply;
import java.util.LinkedHashMap;
import java.util.Map;
import org.slf4j.Marker;

/** An outage says the same line thousands of times; a minute gets three of them. */
public final class RepeatedLines extends TurboFilter {
    private static final int MOST = 3;
    private static final long WINDOW_NANOS = 60_000_000_000L;
    private static final int REMEMBERED = 200;

    private final Map<String, long[]> seen = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, long[]> eldest) {
            return size() > REMEMBERED;
        }
    };

    @Override
    public FilterReply decide(Marker marker, Logger logger, Level level, String format, Object[] params, Throwable t) {
        if (format == null || !level.isGreaterOrEqual(Level.WARN)) {
            return FilterReply.NEUTRAL;
        }
        return repeated(logger.getName() + format, System.nanoTime()) ? FilterReply.DENY : FilterReply.NEUTRAL;
    }

    synchronized boolean repeated(String line, long now) {
        long[] count = seen.computeIfAbsent(line, k -> new long[] {now, 0});
        if (now - count[0] > WINDOW_NANOS) {
            count[0] = now;
            count[1] = 0;
        }
        return ++count[1] > MOST;
    }
}
