package wistel.server;

import java.util.function.Predicate;
import java.util.function.Supplier;

/** Asks again until an answer is right, or says what the last one was. */
final class Waiting {
    private Waiting() {
    }

    static <T> T until(Supplier<T> ask, Predicate<T> right, int seconds) {
        T last = ask.get();
        for (long end = System.nanoTime() + seconds * 1_000_000_000L; System.nanoTime() < end && !right.test(last); last = ask.get()) {
            try {
                Thread.sleep(40);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                break;
            }
        }
        if (!right.test(last)) {
            throw new AssertionError("still after " + seconds + " s: " + last);
        }
        return last;
    }
}
