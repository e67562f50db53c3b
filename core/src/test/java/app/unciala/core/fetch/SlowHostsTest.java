package app.unciala.core.fetch;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Hosts that answer a little at a time, so that no silence is ever long enough to be one. */
@Timeout(60)
class SlowHostsTest {
    private static final Duration SHORT = Duration.ofMillis(600);

    private final ExecutorService threads = Executors.newCachedThreadPool();
    private final AtomicInteger connections = new AtomicInteger();
    private final CountDownLatch asked = new CountDownLatch(1);
    private ServerSocket server;

    @BeforeEach
    void listen() throws IOException {
        server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
    }

    @AfterEach
    void end() throws IOException {
        server.close();
        threads.shutdownNow();
    }

    /** Says something again and again. */
    private void serve(String first, String again) {
        threads.execute(() -> {
            while (!server.isClosed()) {
                try {
                    Socket socket = server.accept();
                    connections.incrementAndGet();
                    threads.execute(() -> say(socket, first, again));
                } catch (IOException e) {
                    return;
                }
            }
        });
    }

    private void say(Socket socket, String first, String again) {
        try (socket) {
            socket.getInputStream().read();
            asked.countDown();
            OutputStream out = socket.getOutputStream();
            out.write(first.getBytes(StandardCharsets.UTF_8));
            while (!server.isClosed()) {
                out.write(again.getBytes(StandardCharsets.UTF_8));
                out.flush();
                Thread.sleep(20);
            }
        } catch (IOException e) {
            // The other side has gone.
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private String url() {
        return "http://localhost:" + server.getLocalPort() + "/";
    }

    private static WebResources web(Duration longest) {
        return new WebResources(new FetchRules(Map.of(), true, longest));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "|HTTP/1.1 103 Early Hints\r\n\r\n",
                "HTTP/1.1 200 OK\r\n|x-more: a\r\n",
                "HTTP/1.1 200 |O",
                "HTTP/1.1 200 OK\r\nContent-Type: text/html\r\n\r\n|a"
            })
    void anAnswerThatNeverEndsIsGivenUpInTime(String said) throws IOException {
        String[] parts = said.split("\\|", -1);
        serve(parts[0], parts[1]);
        try (WebResources web = web(SHORT)) {
            assertThat(web.get(url(), Use.PAGE).why()).contains("takes longer than");
        }
    }

    @Test
    void aHostThatIsLateThreeTimesIsNotAskedAgain() throws IOException {
        serve("HTTP/1.1 200 OK\r\n\r\n", "a");
        try (WebResources web = web(SHORT)) {
            for (int i = 0; i < 3; i++) {
                assertThat(web.get(url() + i, Use.FONT).why()).contains("takes longer than");
            }
            assertThat(web.get(url(), Use.FONT).why()).contains("isn’t asked again");
        }
        assertThat(connections).hasValue(3);
    }

    @Test
    void aStopEndsTheRequestUnderWayAndAllThatFollow() throws Exception {
        serve("HTTP/1.1 200 OK\r\n\r\n", "a");
        try (WebResources web = web(Duration.ofMinutes(5))) {
            CompletableFuture<Resource> answer = CompletableFuture.supplyAsync(() -> web.get(url(), Use.PAGE), threads);
            asked.await();
            web.stop();
            assertThat(answer.get(20, TimeUnit.SECONDS).why()).isEqualTo("the check was stopped");
            assertThat(web.get(url(), Use.PAGE).why()).isEqualTo("the check was stopped");
        }
        assertThat(connections).hasValue(1);
    }
}
