package app.unciala.server.limit;

import java.time.Duration;

/** Work on what people send, by what is read; each kind has a time for one piece, and its own places. */
public enum Work {
    STYLE_SHEET(10, "Reading this style sheet takes too long. Check the part with the fonts only."),
    AGREEMENT(10, "Reading this agreement takes too long. Paste the part that says what is permitted."),
    TABLE(30, "Reading this file takes too long. Import it in several parts."),
    FONT(30, "Reading this font takes too long. Drop it as an intake, which may take longer.");

    private final int seconds;
    private final String sentence;

    Work(int seconds, String sentence) {
        this.seconds = seconds;
        this.sentence = sentence;
    }

    /** The processor time that one piece may take. */
    public Duration time() {
        return Duration.ofSeconds(seconds);
    }

    /** What a person is told when it takes longer. */
    String sentence() {
        return sentence;
    }
}
