package wistel.server.docket;

import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import wistel.server.edge.Events;

/**
 * A docket as an answer. The version is for If-Match alone. Findings change without it (a proof looked at, paper loaded), so a browser must
 * not keep what it got.
 */
@Component
public class DocketAnswers {
    private final DocketViews views;
    private final Events events;

    DocketAnswers(DocketViews views, Events events) {
        this.views = views;
        this.events = events;
    }

    ResponseEntity<DocketView> of(UUID id) {
        DocketView view = views.view(id);
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).eTag("\"" + view.version() + "\"").body(view);
    }

    /** A new one, which others are told of. */
    public ResponseEntity<DocketView> created(UUID id) {
        events.publish("docket", id.toString());
        return ResponseEntity.status(HttpStatus.CREATED).body(views.view(id));
    }

    /** The same after a change, which others are told of. */
    public ResponseEntity<DocketView> changed(UUID id) {
        events.publish("docket", id.toString());
        return of(id);
    }
}
