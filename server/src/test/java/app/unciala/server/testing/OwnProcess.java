package app.unciala.server.testing;

import app.unciala.server.UncialaApplication;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.util.FileSystemUtils;

/** The server in a process of its own, which can be killed at any moment. */
public final class OwnProcess implements AutoCloseable {
    private final Process process;
    private final int port;
    private final Path data;

    private OwnProcess(Process process, int port, Path data) {
        this.process = process;
        this.port = port;
        this.data = data;
    }

    public static OwnProcess start(Path data) throws IOException {
        return start(data, List.of());
    }

    /** As on a disk with little room: no file can grow beyond this many megabytes. */
    public static OwnProcess withLittleRoom(Path data, int megabytes) throws IOException {
        return start(data, List.of("bash", "-c", "ulimit -f " + megabytes * 1024 + "; exec \"$@\"", "limited"));
    }

    private static OwnProcess start(Path data, List<String> through) throws IOException {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        List<String> command = new ArrayList<>(through);
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.add("-XX:TieredStopAtLevel=1");
        command.addAll(program());
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().put("UNCIALA_PORT", String.valueOf(port));
        builder.environment().put("UNCIALA_DATA", data.toString());
        builder.environment().put("UNCIALA_ADMIN_PASSWORD", RunningServer.PASSWORD);
        builder.redirectErrorStream(true).redirectOutput(new File(data.toFile(), "log-" + port));
        return new OwnProcess(builder.start(), port, data);
    }

    /** The built application in the folder that the property names, which starts faster, or else the classes here. */
    private static List<String> program() {
        String app = System.getProperty("unciala.app");
        return app == null
                ? List.of("-cp", System.getProperty("java.class.path"), UncialaApplication.class.getName())
                : List.of("-XX:SharedArchiveFile=" + app + "/classes.jsa", "-jar", app + "/unciala.jar");
    }

    /** Waits until the server is ready, and signs in. */
    public Caller signIn() {
        for (int i = 0; i < 900 && process.isAlive(); i++) {
            try {
                Caller caller = new Caller("http://localhost:" + port);
                if (caller.get("/api/health").status() == 200
                        && caller.signIn("admin", RunningServer.PASSWORD) == 204) {
                    return caller;
                }
            } catch (UncheckedIOException notYet) {
                // The port is not open yet.
            }
            Caller.pause();
        }
        throw new IllegalStateException("the server did not start");
    }

    public int port() {
        return port;
    }

    /**
     * Copies the data folder as a kill at this moment would leave it: the process is halted while its files are read,
     * and goes on after that.
     *
     * @param halted called while the server does nothing
     */
    public void copyAsIfKilled(Path copy, Runnable halted) throws IOException {
        signal("STOP");
        try {
            // Until the signal has reached every thread.
            Caller.pause();
            halted.run();
            FileSystemUtils.copyRecursively(data, copy);
        } finally {
            signal("CONT");
        }
    }

    private void signal(String name) throws IOException {
        try {
            if (new ProcessBuilder("kill", "-" + name, String.valueOf(process.pid()))
                            .start()
                            .waitFor()
                    != 0) {
                throw new IOException("the server took no signal " + name);
            }
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    public void kill() {
        try {
            process.destroyForcibly().waitFor();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        kill();
    }
}
