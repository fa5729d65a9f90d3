package wistel.server.outside;

import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/** A request whose answer has to be there to its end within a time; one that isn't is given up. */
public final class BoundedRequest {
    private BoundedRequest() {
    }

    /**
     * @param body bounds the answer's bytes
     * @throws TimeoutException   when the time is over
     * @throws ExecutionException when it fails; its cause says how
     */
    public static HttpResponse<byte[]> answered(HttpClient http, HttpRequest request, HttpResponse.BodyHandler<byte[]> body,
        Duration patience) throws TimeoutException, ExecutionException, InterruptedException {
        CompletableFuture<HttpResponse<byte[]>> answer = http.sendAsync(request, body);
        try {
            return answer.get(patience.toMillis(), TimeUnit.MILLISECONDS);
        } finally {
            answer.cancel(true);
        }
    }
}
