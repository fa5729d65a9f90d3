package wistel.server.edge;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/**
 * Files that a browser saves or opens, under a name (RFC 6266): they follow what they are made of, so nobody keeps them. And what may be
 * kept for ever, as its address names everything that it depends on.
 */
public final class FileAnswer {
    private FileAnswer() {
    }

    /** To be saved. */
    public static <T> ResponseEntity<T> saved(String name, MediaType type, T body) {
        return of(ContentDisposition.attachment(), name, type, body);
    }

    /** To be looked at. */
    public static <T> ResponseEntity<T> opened(String name, MediaType type, T body) {
        return of(ContentDisposition.inline(), name, type, body);
    }

    /** Never another one at its address. */
    public static ResponseEntity.BodyBuilder forEver() {
        return ResponseEntity.ok().cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable());
    }

    private static <T> ResponseEntity<T> of(ContentDisposition.Builder how, String name, MediaType type, T body) {
        return ResponseEntity.ok().contentType(type).cacheControl(CacheControl.noStore())
            .header(HttpHeaders.CONTENT_DISPOSITION, how.filename(name, StandardCharsets.UTF_8).build().toString()).body(body);
    }
}
