package wistel.server.edge;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Semaphore;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/**
 * Keeps requests that send something from taking every thread of the web server: at most half of them read bodies at a time, and what is
 * sent beyond that is told to come later. Whoever only asks is answered meanwhile. The rest of a body that stalled is not waited for.
 */
final class UploadGate extends ValveBase {
    /** Of the 200 threads that the web server has. */
    private static final int MOST_AT_ONCE = 100;

    private final Semaphore places = new Semaphore(MOST_AT_ONCE);

    UploadGate() {
        super(true);
    }

    static boolean sends(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        if (!sends(request)) {
            getNext().invoke(request, response);
            return;
        }
        if (!places.tryAcquire()) {
            response.setHeader("Retry-After", "3");
            RawProblem.write(response, HttpServletResponse.SC_SERVICE_UNAVAILABLE, "busy", "Too much is being sent at once.",
                "Try again in a few seconds.");
            leave(request);
            return;
        }
        try {
            getNext().invoke(request, response);
            if (response.getStatus() == HttpServletResponse.SC_REQUEST_TIMEOUT) {
                leave(request);
            }
        } finally {
            places.release();
        }
    }

    /** The connection is closed after the answer, whatever is still to come on it. */
    private static void leave(Request request) {
        request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
    }
}
