package wistel.server.printer;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.Flow;

/** An answer's body in memory, up to a bound; one byte more ends it with an exception. */
final class BoundedBody implements HttpResponse.BodySubscriber<byte[]> {
    private final int most;
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private final CompletableFuture<byte[]> body = new CompletableFuture<>();
    private Flow.Subscription subscription;

    private BoundedBody(int most) {
        this.most = most;
    }

    static HttpResponse.BodyHandler<byte[]> upTo(int most) {
        return info -> new BoundedBody(most);
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
            if (bytes.size() + part.remaining() > most) {
                subscription.cancel();
                body.completeExceptionally(new IOException("the answer is longer than " + most + " bytes"));
                return;
            }
            byte[] copy = new byte[part.remaining()];
            part.get(copy);
            bytes.write(copy, 0, copy.length);
        }
    }

    @Override
    public void onError(Throwable e) {
        body.completeExceptionally(e);
    }

    @Override
    public void onComplete() {
        body.complete(bytes.toByteArray());
    }
}
