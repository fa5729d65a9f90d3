package wistel.server.print;

import jakarta.annotation.PostConstruct;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Frees, before the scheduler starts, the tasks that a killed server held. One server owns the database, so whatever is picked at its
 * start was picked by one that is gone; waiting for its missed heartbeats would only cost the photographer time.
 */
@Component
class StaleTaskRecovery {
    private final JdbcClient jdbc;

    StaleTaskRecovery(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @PostConstruct
    void free() {
        jdbc.sql("update scheduled_tasks set picked = false, picked_by = null, last_heartbeat = null where picked").update();
    }
}
