package wistel.server.edge;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Without accounts, only the person at this machine may use the server: requests must name a loopback host (a page that rebinds its name
 * to 127.0.0.1 doesn't) and changes must come from our own pages, not from another site open in the same browser.
 */
@Component
class LoopbackFilter extends OncePerRequestFilter {
    private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]", "::1");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        String origin = request.getHeader("Origin");
        boolean foreign = origin != null && !ours(origin, request);
        if (!LOOPBACK.contains(request.getServerName()) || foreign && !request.getMethod().equals("GET")) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
            return;
        }
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Content-Security-Policy", "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' blob: data:; frame-ancestors 'none'");
        chain.doFilter(request, response);
    }

    private static boolean ours(String origin, HttpServletRequest request) {
        try {
            URI uri = URI.create(origin);
            return LOOPBACK.contains(uri.getHost()) && uri.getPort() == request.getServerPort();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
