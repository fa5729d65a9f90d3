package wistel.server.edge;

import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * The web server's own part: what it refuses before any of our code sees it has the form of all other problems, and bodies are let in by
 * {@link UploadGate}.
 */
@Component
class WebServer implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addEngineValves(new UploadGate());
        factory.addContextCustomizers(context -> ((StandardHost) context.getParent()).setErrorReportValveClass(AsProblem.class.getName()));
    }

    /** Made by Tomcat. */
    public static final class AsProblem extends ErrorReportValve {
        @Override
        protected void report(Request request, Response response, Throwable throwable) {
            int status = response.getStatus();
            if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            try {
                RawProblem.write(response, status, "request-unclear", "This request can't be read as it is.", Problems.COMPARE);
                response.finishResponse();
            } catch (IOException | IllegalStateException e) {
                // whoever asked is gone
                container.getLogger().debug("a refusal was not heard", e);
            }
        }
    }
}
