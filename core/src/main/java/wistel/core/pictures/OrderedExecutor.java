package wistel.core.pictures;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.Future;
import java.util.concurrent.FutureTask;
import java.util.function.Consumer;
import java.util.function.Supplier;

/**
 * Work done on several threads whose results are taken in the order in which it was handed in. No more than a few pieces are under way at
 * once, so handing in waits for the oldest. Closing it waits for what is under way.
 */
public final class OrderedExecutor<R> implements AutoCloseable {
    private final Executor workers;
    private final int most;
    private final Consumer<R> results;
    private final Deque<Future<R>> underWay = new ArrayDeque<>();

    /** @param most pieces under way at once */
    public OrderedExecutor(Executor workers, int most, Consumer<R> results) {
        this.workers = workers;
        this.most = most;
        this.results = results;
    }

    /** @throws RuntimeException what an earlier piece of work threw */
    public void submit(Supplier<R> work) {
        while (underWay.size() >= most) {
            takeOldest();
        }
        FutureTask<R> task = new FutureTask<>(work::get);
        underWay.add(task);
        workers.execute(task);
    }

    /** Takes every result that is still to come. */
    public void finish() {
        while (!underWay.isEmpty()) {
            takeOldest();
        }
    }

    private void takeOldest() {
        try {
            results.accept(underWay.remove().get());
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Error error) {
                throw error;
            }
            throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("the work was stopped");
        }
    }

    @Override
    public void close() {
        underWay.forEach(f -> f.cancel(false));
        boolean interrupted = Thread.interrupted();
        for (Future<R> f : underWay) {
            try {
                f.get();
            } catch (ExecutionException | CancellationException e) {
                // the first failure was thrown already
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        underWay.clear();
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
