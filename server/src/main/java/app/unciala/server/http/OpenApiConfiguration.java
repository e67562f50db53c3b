package app.unciala.server.http;

import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The OpenAPI document: every property of a record is always there, so clients need not ask. */
@Configuration
class OpenApiConfiguration {
    @Bean
    OpenApiCustomizer allPropertiesAreThere() {
        return document -> {
            document.getInfo().title("Unciala").version("1");
            document.setServers(null);
            Map<String, Schema> schemas = document.getComponents().getSchemas();
            schemas.values().stream()
                    .filter(schema -> schema.getProperties() != null)
                    .forEach(schema -> schema.setRequired(
                            new ArrayList<>(schema.getProperties().keySet())));
        };
    }
}
