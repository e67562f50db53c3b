package app.unciala.server.http;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Objects;

/** A request whose body ends with an error when it is too long or comes too slowly. */
final class BoundedBody extends HttpServletRequestWrapper {
    private final long most;
    private final long until;

    /** With so many bytes at most, all of which must have come by then. */
    BoundedBody(HttpServletRequest request, long most, Duration time) {
        super(request);
        this.most = most;
        this.until = System.nanoTime() + time.toNanos();
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        return new Stream(super.getInputStream());
    }

    @Override
    public BufferedReader getReader() throws IOException {
        String encoding = Objects.requireNonNullElse(getCharacterEncoding(), StandardCharsets.UTF_8.name());
        return new BufferedReader(new InputStreamReader(getInputStream(), encoding));
    }

    private final class Stream extends ServletInputStream {
        private final ServletInputStream in;
        private long left = most;

        Stream(ServletInputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            int next = in.read();
            count(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            int read = in.read(bytes, offset, length);
            count(Math.max(0, read));
            return read;
        }

        private void count(int read) throws IOException {
            left -= read;
            if (left < 0) {
                throw new IOException("the body is longer than " + most + " bytes");
            }
            if (System.nanoTime() > until) {
                throw new IOException("the body comes too slowly");
            }
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
