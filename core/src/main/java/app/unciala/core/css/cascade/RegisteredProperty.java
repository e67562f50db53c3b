package app.unciala.core.css.cascade;

import java.util.Optional;

/** A custom property that is registered with {@code @property} (CSS Properties and Values API 1). */
record RegisteredProperty(boolean inherits, Optional<String> initial) {}
