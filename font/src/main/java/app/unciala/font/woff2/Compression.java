package app.unciala.font.woff2;

/** How much work goes into compressing a WOFF 2.0 file; every reader takes the result. */
public enum Compression {
    /** As small as Brotli makes it, which takes about two milliseconds for a kilobyte. */
    SMALLEST(11),
    /** Up to an eighth larger, at a fiftieth of the time: for files that are made to be shown at once. */
    QUICK(9);

    private final int quality;

    Compression(int quality) {
        this.quality = quality;
    }

    int quality() {
        return quality;
    }
}
