package wistel.server.edge;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import wistel.core.fault.InvalidRequest;

/**
 * Without accounts, only the person at this machine may use the server: requests must name a loopback host (a page that rebinds its name
 * to 127.0.0.1 doesn't) and changes must come from our own pages, not from another site open in the same browser.
 */
@Component
class LoopbackFilter extends OncePerRequestFilter {
    private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]", "::1");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
        String origin = request.getHeader("Origin");
        boolean foreign = origin != null && !ours(origin, request);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Content-Security-Policy",
            "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' blob: data:; frame-ancestors 'none'");
        if (!LOOPBACK.contains(request.getServerName()) || foreign && !request.getMethod().equals("GET")) {
            refuse(response, HttpServletResponse.SC_FORBIDDEN,
                new InvalidRequest(InvalidRequest.Reason.FOREIGN, "This came from another page or for another host than Wistel's own.",
                    "Open Wistel at http://localhost on this machine."));
        } else if (!sound(request.getRequestURI()) || request.getQueryString() != null && !sound(request.getQueryString())) {
            refuse(response, HttpServletResponse.SC_BAD_REQUEST, new InvalidRequest(InvalidRequest.Reason.TEXT_OUT_OF_RANGE,
                "The address holds bytes that are no text.", "Write it in UTF-8, without zero bytes."));
        } else {
            chain.doFilter(request, response);
        }
    }

    /** What is behind the percent signs is UTF-8, and no zero byte. */
    private static boolean sound(String encoded) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(encoded.length());
        for (int i = 0; i < encoded.length(); i++) {
            int high = encoded.charAt(i) == '%' && i + 2 < encoded.length() ? Character.digit(encoded.charAt(i + 1), 16) : -1;
            int low = high < 0 ? -1 : Character.digit(encoded.charAt(i + 2), 16);
            if (low < 0) {
                bytes.write(encoded.charAt(i));
                continue;
            }
            if (high == 0 && low == 0) {
                return false;
            }
            bytes.write(16 * high + low);
            i += 2;
        }
        try {
            StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes.toByteArray()));
            return true;
        } catch (CharacterCodingException e) {
            return false;
        }
    }

    private void refuse(HttpServletResponse response, int status, InvalidRequest why) throws IOException {
        RawProblem.write(response, status, why.code(), why.getMessage(), why.next());
    }

    private static boolean ours(String origin, HttpServletRequest request) {
        try {
            URI uri = URI.create(origin);
            return uri.getHost() != null && LOOPBACK.contains(uri.getHost()) && uri.getPort() == request.getServerPort();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
