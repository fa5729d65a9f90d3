package wistel.server.outside;

import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Component;
import wistel.core.fault.LibraryException;

/** Gets files from the web. Redirects are followed within a host; what is too large, too slow or elsewhere ends it. */
@Component
public class OutsideClient {
    private static final Duration CONNECTS_WITHIN = Duration.ofSeconds(5);
    private static final int MOST_REDIRECTS = 3;
    private static final int NOT_MODIFIED = 304;

    private final HttpClient http = HttpClient.newBuilder().connectTimeout(CONNECTS_WITHIN).followRedirects(HttpClient.Redirect.NEVER)
        .build();
    private final Duration patience;

    OutsideClient() {
        this(Duration.ofSeconds(25));
    }

    /** @param patience for an answer to its end */
    OutsideClient(Duration patience) {
        this.patience = patience;
    }

    /**
     * @param etag of what is there already; empty for nothing
     * @param most bytes
     */
    public record Asked(OutsideAddress address, Optional<String> etag, int most) {
    }

    /**
     * @param type lower case, without parameters
     * @param same it has not changed since {@link Asked#etag}; then there is no body
     */
    public record Answer(String type, Optional<String> etag, byte[] body, boolean same) {
    }

    /** @throws LibraryException when it doesn't answer well within its bounds */
    public Answer get(Asked asked) {
        OutsideAddress address = asked.address;
        for (int i = 0; i <= MOST_REDIRECTS; i++) {
            address.checkHost();
            HttpResponse<byte[]> answer = answered(address, asked);
            int status = answer.statusCode();
            if (status >= 300 && status < 400 && status != NOT_MODIFIED) {
                address = address.redirected(answer.headers().firstValue("Location").orElse(""));
                continue;
            }
            if (status != 200 && !(status == NOT_MODIFIED && asked.etag.isPresent())) {
                throw new LibraryException(LibraryException.Reason.REFUSED,
                    address.uri().getHost() + " answers with status " + status + ".",
                    status == 404 ? "Check the address; the file may have been moved." : "Try it again later.");
            }
            String type = answer.headers().firstValue("Content-Type").orElse("").split(";")[0].trim().toLowerCase(Locale.ROOT);
            return new Answer(type, answer.headers().firstValue("ETag"), answer.body(), status == NOT_MODIFIED);
        }
        throw new LibraryException(LibraryException.Reason.REFUSED, address.uri().getHost() + " leads on and on.", "Check the address.");
    }

    private HttpResponse<byte[]> answered(OutsideAddress address, Asked asked) {
        HttpRequest.Builder request = HttpRequest.newBuilder(address.uri()).timeout(patience).header("Accept", "*/*");
        asked.etag.ifPresent(tag -> request.header("If-None-Match", tag));
        String host = address.uri().getHost();
        try {
            return BoundedRequest.answered(http, request.build(), BoundedBody.upTo(asked.most), patience);
        } catch (TimeoutException e) {
            throw new LibraryException(LibraryException.Reason.AWAY, host + " takes too long to answer.", "Try it again later.", e);
        } catch (ExecutionException e) {
            boolean large = e.getCause() instanceof BoundedBody.TooLong;
            throw large
                ? new LibraryException(LibraryException.Reason.TOO_LARGE,
                    host + " sends more than " + (asked.most >> 10) + " kB, which is no file of this kind.", "Check the address.", e)
                : new LibraryException(LibraryException.Reason.AWAY, host + " doesn't answer.",
                    "What was fetched before stays; try it again later.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new LibraryException(LibraryException.Reason.AWAY, "Wistel was stopped while it asked " + host + ".", "Try it again.", e);
        }
    }
}
