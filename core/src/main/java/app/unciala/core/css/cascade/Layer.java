package app.unciala.core.css.cascade;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A cascade layer with the layers inside it, in the order in which they were first named (CSS Cascading 5, section 6.4). */
final class Layer {
    /** Layers that would be deeper stand in the one around them. */
    private static final int DEEPEST = 200;

    private final int depth;
    /** As it is written in {@code @layer}; null where no style sheet can name it. */
    private final @Nullable String path;

    private final List<Layer> inner = new ArrayList<>();
    private final Map<String, Layer> byName = new HashMap<>();
    private int order;

    private Layer(int depth, @Nullable String path) {
        this.depth = depth;
        this.path = path;
    }

    /** What stands in no layer, which comes after all of them. */
    static Layer outermost() {
        return new Layer(0, "");
    }

    /** The layer of a name, such as {@code base.type}; it is made where it is not there yet. */
    Layer named(String path) {
        Layer layer = this;
        for (String part : path.split("\\.")) {
            Layer around = layer;
            layer = part.isEmpty()
                    ? around.anonymous()
                    : around.byName.computeIfAbsent(part, name -> around.inside(around.pathOf(name)));
        }
        return layer;
    }

    /** A layer that has no name, and that nothing else is put into. */
    Layer anonymous() {
        return inside(null);
    }

    private @Nullable String pathOf(String name) {
        return path == null ? null : path.isEmpty() ? name : path + "." + name;
    }

    private Layer inside(@Nullable String innerPath) {
        if (depth == DEEPEST) {
            return this;
        }
        Layer layer = new Layer(depth + 1, innerPath);
        inner.add(layer);
        return layer;
    }

    /** Numbers all layers in ascending order of precedence; gives the number after the last. */
    int number(int from) {
        int next = from;
        for (Layer layer : inner) {
            next = layer.number(next);
        }
        order = next;
        return next + 1;
    }

    /** Whether its rules stand in no layer. */
    boolean isOutermost() {
        return depth == 0;
    }

    /** Its name, such as {@code theme.base}; nothing for no layer, and for those that no style sheet can name. */
    Optional<String> name() {
        return Optional.ofNullable(path).filter(name -> !name.isEmpty());
    }

    int order() {
        return order;
    }
}
