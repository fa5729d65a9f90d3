package wistel.server.master;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.stereotype.Component;

/** The threads that work on pixels, one for each processor, shared by everything that reads or makes pictures. */
@Component
public class PixelExecutor {
    private final ExecutorService threads = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors(), work -> {
        Thread thread = new Thread(work, "pixels");
        thread.setDaemon(true);
        return thread;
    });

    public Executor executor() {
        return threads;
    }

    @PreDestroy
    void stop() {
        threads.shutdown();
    }
}
