package wistel.server.edge;

import java.io.IOException;
import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** The front end: hashed assets for a year, everything else from index.html, but for the API's own paths. */
@Configuration
class StaticResources implements WebMvcConfigurer {
    private static final String ROOT = "META-INF/resources/";

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**").addResourceLocations("classpath:/" + ROOT + "assets/")
            .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
        registry.addResourceHandler("/**").addResourceLocations("classpath:/" + ROOT).setCacheControl(CacheControl.noCache())
            .resourceChain(true).addResolver(new PathResourceResolver() {
                @Override
                protected Resource getResource(String path, Resource location) throws IOException {
                    Resource found = super.getResource(path, location);
                    boolean api = path.startsWith("api/") || path.startsWith("v3/") || path.startsWith("assets/");
                    return found != null || api ? found : new ClassPathResource(ROOT + "index.html");
                }
            });
    }
}
