package wistel.server.edge;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import wistel.core.fault.InvalidRequest;

/** Gives up a body that comes more slowly than any network carries it, in words. */
@Component
class UploadWatch extends OncePerRequestFilter {
    private static final Duration GRACE = Duration.ofSeconds(10);
    private static final long LEAST_BYTES_A_SECOND = 1000;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
        chain.doFilter(UploadGate.sends(request) ? new Watched(request) : request, response);
    }

    /** A request whose body has to come on. */
    private static final class Watched extends HttpServletRequestWrapper {
        private ServletInputStream body;

        private Watched(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (body == null) {
                body = new Body(super.getInputStream());
            }
            return body;
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class Body extends ServletInputStream {
        private final ServletInputStream inner;
        private final long began = System.nanoTime();
        private long count;

        private Body(ServletInputStream inner) {
            this.inner = inner;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int n;
            try {
                n = inner.read(into, from, most);
            } catch (SocketTimeoutException e) {
                throw stalled();
            }
            count += Math.max(0, n);
            long late = System.nanoTime() - began - GRACE.toNanos();
            if (late > 0 && count < LEAST_BYTES_A_SECOND * (late / 1_000_000_000L)) {
                throw stalled();
            }
            return n;
        }

        private InvalidRequest stalled() {
            return new InvalidRequest(InvalidRequest.Reason.UPLOAD_STALLED, "What was sent stopped coming after " + count + " bytes.",
                "Send it again; nothing of it was kept.");
        }

        @Override
        public boolean isFinished() {
            return inner.isFinished();
        }

        @Override
        public boolean isReady() {
            return inner.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            inner.setReadListener(listener);
        }
    }
}
