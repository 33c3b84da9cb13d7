package imperan.server.api;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/**
 * The scripts, styles and letters of the interface. Each is named by what it holds, so a browser that has one never asks for it
 * again; the build has compressed them already.
 */
@Configuration
class AssetSetup implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable())
                .resourceChain(true)
                .addResolver(new EncodedResourceResolver());
    }
}
