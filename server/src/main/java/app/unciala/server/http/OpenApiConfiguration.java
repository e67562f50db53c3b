package app.unciala.server.http;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The OpenAPI document: every property of a record is always there, so clients need not ask; only a PATCH leaves out what
 * stays as it is.
 */
@Configuration
class OpenApiConfiguration {
    @Bean
    OpenApiCustomizer allPropertiesAreThere() {
        return document -> {
            document.getInfo().title("Unciala").version("1");
            document.setServers(null);
            Map<String, Schema<?>> schemas = new LinkedHashMap<>();
            document.getComponents().getSchemas().forEach(schemas::put);
            schemas.values().stream()
                    .filter(schema -> schema.getProperties() != null)
                    .forEach(schema -> schema.setRequired(
                            new ArrayList<>(schema.getProperties().keySet())));
            schemas.values().forEach(OpenApiConfiguration::sayNull);
            patched(document).stream()
                    .flatMap(name -> Stream.ofNullable(schemas.get(name)))
                    .forEach(schema -> schema.setRequired(null));
        };
    }

    /** What may be a record or null is either of the two: of a reference with types beside it, clients see the reference. */
    private static void sayNull(Schema<?> record) {
        if (record.getProperties() != null) {
            record.getProperties()
                    .replaceAll((name, property) -> isRecordOrNull(property)
                            ? new Schema<>()
                                    .anyOf(List.of(
                                            new Schema<>().$ref(property.get$ref()),
                                            new Schema<>().types(Set.of("null"))))
                            : property);
        }
    }

    private static boolean isRecordOrNull(Schema<?> property) {
        return property.get$ref() != null
                && property.getTypes() != null
                && property.getTypes().contains("null");
    }

    /** The names of the schemas that are sent to change only a part of something. */
    private static List<String> patched(OpenAPI document) {
        return document.getPaths().values().stream()
                .map(PathItem::getPatch)
                .filter(Objects::nonNull)
                .flatMap(patch -> patch.getRequestBody().getContent().values().stream())
                .map(content -> content.getSchema().get$ref())
                .map(reference -> reference.substring(reference.lastIndexOf('/') + 1))
                .toList();
    }
}
