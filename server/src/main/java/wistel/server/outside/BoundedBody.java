package wistel.server.outside;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.Flow;

/** An answer's body in memory or written out as it comes, up to a bound; one byte more ends it with an exception. */
public final class BoundedBody implements HttpResponse.BodySubscriber<byte[]> {
    private final int most;
    private final OutputStream out;
    private long count;
    private final CompletableFuture<byte[]> body = new CompletableFuture<>();
    private Flow.Subscription subscription;

    /** The bound was passed. */
    static final class TooLong extends IOException {
        private TooLong(int most) {
            super("the answer is longer than " + most + " bytes");
        }
    }

    private BoundedBody(int most, OutputStream out) {
        this.most = most;
        this.out = out;
    }

    public static HttpResponse.BodyHandler<byte[]> upTo(int most) {
        return info -> new BoundedBody(most, new ByteArrayOutputStream());
    }

    /** Written to {@code out}; the body itself is empty then. */
    public static HttpResponse.BodyHandler<byte[]> upTo(int most, OutputStream out) {
        return info -> new BoundedBody(most, out);
    }

    @Override
    public CompletionStage<byte[]> getBody() {
        return body;
    }

    @Override
    public void onSubscribe(Flow.Subscription next) {
        subscription = next;
        subscription.request(Long.MAX_VALUE);
    }

    @Override
    public void onNext(List<ByteBuffer> parts) {
        for (ByteBuffer part : parts) {
            count += part.remaining();
            if (count > most) {
                end(new TooLong(most));
                return;
            }
            byte[] copy = new byte[part.remaining()];
            part.get(copy);
            try {
                out.write(copy, 0, copy.length);
            } catch (IOException | RuntimeException e) {
                end(e);
                return;
            }
        }
    }

    private void end(Exception e) {
        subscription.cancel();
        body.completeExceptionally(e);
    }

    @Override
    public void onError(Throwable e) {
        body.completeExceptionally(e);
    }

    @Override
    public void onComplete() {
        body.complete(out instanceof ByteArrayOutputStream held ? held.toByteArray() : new byte[0]);
    }
}
