package wistel.server.edge;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;

/** Writes a problem in the form of {@link Problems} where a request is refused before it reaches a controller. */
final class RawProblem {
    private static final JsonMapper JSON = JsonMapper.shared();

    private RawProblem() {
    }

    static void write(HttpServletResponse response, int status, String code, String detail, String next) throws IOException {
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("status", status);
        problem.put("detail", detail);
        problem.put("code", code);
        problem.put("next", next);
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.getOutputStream().write(JSON.writeValueAsBytes(problem));
    }
}
