package app.unciala.core.flag;

import java.util.Comparator;

/**
 * The record whose comparison gives a flag: every flag has exactly one. When something changes, the flags of the owners
 * it touches are compared again, and no others.
 */
public record Owner(Type type, String id) implements Comparable<Owner> {
    /** What owns flags. {@code BYTES} and {@code DRAWING} are digests that several files may share. */
    public enum Type {
        SITE,
        FAMILY,
        LICENSE,
        BYTES,
        DRAWING
    }

    private static final Comparator<Owner> ORDER =
            Comparator.comparing(Owner::type).thenComparing(Owner::id);

    public static Owner site(String id) {
        return new Owner(Type.SITE, id);
    }

    public static Owner family(String id) {
        return new Owner(Type.FAMILY, id);
    }

    public static Owner license(String id) {
        return new Owner(Type.LICENSE, id);
    }

    /** All files of these bytes; {@code sha256} in hexadecimal digits. */
    public static Owner bytes(String sha256) {
        return new Owner(Type.BYTES, sha256);
    }

    /** All files of this drawing, in any format. */
    public static Owner drawing(String digest) {
        return new Owner(Type.DRAWING, digest);
    }

    /** A short form to store, such as {@code SITE:k3m}. */
    public String key() {
        return type + ":" + id;
    }

    @Override
    public int compareTo(Owner other) {
        return ORDER.compare(this, other);
    }
}
