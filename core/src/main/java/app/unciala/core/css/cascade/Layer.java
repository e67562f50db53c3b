package app.unciala.core.css.cascade;

import java.util.ArrayList;
import java.util.List;

/** A cascade layer with the layers inside it, in the order in which they were first named (CSS Cascading 5, section 6.4). */
final class Layer {
    private final String name;
    private final List<Layer> inner = new ArrayList<>();
    private int order;

    private Layer(String name) {
        this.name = name;
    }

    /** What stands in no layer, which comes after all of them. */
    static Layer outermost() {
        return new Layer("");
    }

    /** The layer of a name, such as {@code base.type}; it is made where it is not there yet. */
    Layer named(String path) {
        Layer layer = this;
        for (String part : path.split("\\.")) {
            Layer around = layer;
            layer = around.inner.stream()
                    .filter(known -> !part.isEmpty() && known.name.equals(part))
                    .findFirst()
                    .orElseGet(() -> around.add(part));
        }
        return layer;
    }

    /** A layer that has no name, and that nothing else is put into. */
    Layer anonymous() {
        return add("");
    }

    private Layer add(String layerName) {
        Layer layer = new Layer(layerName);
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

    int order() {
        return order;
    }
}
