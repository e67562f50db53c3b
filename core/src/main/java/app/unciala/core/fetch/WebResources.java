package app.unciala.core.fetch;

import app.unciala.core.page.Resources;
import com.google.common.util.concurrent.ThreadFactoryBuilder;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import javax.net.ssl.SSLException;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.Header;
import org.apache.hc.core5.util.Timeout;
import org.jspecify.annotations.Nullable;

/**
 * Reads from the web. Every connection goes to an address that was looked at after its name was resolved, redirects
 * too, so that no name and no answer leads to where the rules do not allow. One request at a time, each with its redirects
 * for no longer than the rules say; a host that was late {@value #MOST_LATE} times is not asked again, and all requests
 * together take at most {@value #MOST_MINUTES} minutes and 1 GB. {@link #stop} ends the request under way.
 */
public final class WebResources implements Resources, Closeable {
    private static final int MOST_BYTES = 10_000_000;
    private static final int MOST_BYTES_OF_A_FONT = 40_000_000;
    private static final long MOST_BYTES_IN_ALL = 1_000_000_000;
    private static final int MOST_REDIRECTS = 10;
    private static final int MOST_LATE = 3;
    private static final int MOST_MINUTES = 30;
    private static final Duration SILENCE = Duration.ofSeconds(10);
    /** One thread for all clients: it only ends requests whose time is over. */
    private static final ScheduledThreadPoolExecutor CLOCK = clock();

    private static final String STOPPED = "the check was stopped";
    private static final String AGENT = "Unciala/0.1 (checks the fonts of pages)";

    private final FetchRules rules;
    private final CloseableHttpClient client;
    private final AtomicReference<@Nullable HttpGet> underWay = new AtomicReference<>();
    private final Map<String, Integer> late = new HashMap<>();
    private long bytes;
    private Duration taken = Duration.ZERO;
    private volatile boolean stopped;

    public WebResources(FetchRules rules) {
        this.rules = rules;
        client = HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new CheckedNames())
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(Timeout.of(SILENCE))
                                .setSocketTimeout(Timeout.of(SILENCE))
                                .build())
                        .setMaxConnPerRoute(1)
                        .build())
                .setDefaultRequestConfig(RequestConfig.custom()
                        .setResponseTimeout(Timeout.of(SILENCE))
                        .build())
                .disableRedirectHandling()
                .disableCookieManagement()
                .disableAutomaticRetries()
                .disableAuthCaching()
                .setUserAgent(AGENT)
                .build();
    }

    private static ScheduledThreadPoolExecutor clock() {
        ScheduledThreadPoolExecutor clock = new ScheduledThreadPoolExecutor(
                1,
                new ThreadFactoryBuilder()
                        .setNameFormat("ends-requests-%d")
                        .setDaemon(true)
                        .build());
        clock.setRemoveOnCancelPolicy(true);
        return clock;
    }

    /** Ends the request under way, and answers no other. May be called by any thread. */
    public void stop() {
        stopped = true;
        HttpGet request = underWay.get();
        if (request != null) {
            request.cancel();
        }
    }

    /** An address that the rules do not allow. */
    private static final class Forbidden extends UnknownHostException {
        private static final long serialVersionUID = 1L;

        private final String why;

        Forbidden(String why) {
            super(why);
            this.why = why;
        }
    }

    /** Resolves names, and refuses addresses; the very address that was looked at is connected to. */
    private final class CheckedNames implements DnsResolver {
        @Override
        public List<InetSocketAddress> resolve(String host, int port) throws UnknownHostException {
            InetSocketAddress instead = rules.connectTo().get(FetchRules.key(host, port));
            if (instead != null) {
                InetAddress address = resolved(instead);
                refuseUnless(rules.allows(instead.getHostString(), instead.getPort(), address), host, address);
                return List.of(new InetSocketAddress(address, instead.getPort()));
            }
            List<InetSocketAddress> found = new ArrayList<>();
            for (InetAddress address : InetAddress.getAllByName(host)) {
                refuseUnless(rules.allows(host, port, address), host, address);
                found.add(new InetSocketAddress(address, port));
            }
            return found;
        }

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            InetAddress[] found = InetAddress.getAllByName(host);
            for (InetAddress address : found) {
                refuseUnless(rules.allows(address), host, address);
            }
            return found;
        }

        @Override
        public String resolveCanonicalHostname(String host) {
            return host;
        }

        private InetAddress resolved(InetSocketAddress address) throws UnknownHostException {
            return address.isUnresolved() ? InetAddress.getByName(address.getHostString()) : address.getAddress();
        }

        private static void refuseUnless(boolean allowed, String host, InetAddress address) throws Forbidden {
            if (!allowed) {
                throw new Forbidden(host + " leads to " + address.getHostAddress()
                        + ", which is private; it is not connected to unless that is allowed");
            }
        }
    }

    @Override
    public Resource get(String url, Use use) {
        long begun = System.nanoTime();
        try {
            return get(url, use, begun + rules.longest().toNanos());
        } finally {
            taken = taken.plusNanos(System.nanoTime() - begun);
        }
    }

    private Resource get(String url, Use use, long until) {
        Set<String> seen = new HashSet<>();
        String at = url;
        while (true) {
            if (!seen.add(at)) {
                return Resource.failed(url, "redirects lead in a circle");
            }
            if (seen.size() > MOST_REDIRECTS) {
                return Resource.failed(url, "there are more than " + MOST_REDIRECTS + " redirects");
            }
            Resource answer = once(at, use, until);
            Optional<String> next = redirect(answer);
            if (next.isEmpty()) {
                return answer;
            }
            at = next.get();
        }
    }

    private static Optional<String> redirect(Resource answer) {
        boolean moved = Set.of(301, 302, 303, 307, 308).contains(answer.status());
        try {
            return moved
                    ? answer.header("location").map(location -> URI.create(answer.url())
                            .resolve(location.strip().replace(" ", "%20"))
                            .toString())
                    : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private Resource once(String url, Use use, long until) {
        try {
            URI uri = new URI(url);
            String scheme = uri.getScheme() == null ? "" : uri.getScheme().toLowerCase(Locale.ROOT);
            if (!Set.of("http", "https").contains(scheme) || uri.getHost() == null) {
                return Resource.failed(url, "only addresses that begin with http: or https: are read");
            }
            if (taken.toMinutes() >= MOST_MINUTES || bytes >= MOST_BYTES_IN_ALL) {
                return Resource.failed(
                        url, "this check has read for " + MOST_MINUTES + " minutes or 1 GB, and reads no more");
            }
            if (late.getOrDefault(host(uri), 0) >= MOST_LATE) {
                return Resource.failed(
                        url, "its host was late " + MOST_LATE + " times in this check, and isn’t asked again");
            }
            HttpGet request = new HttpGet(uri);
            request.setHeader(
                    "Accept",
                    use == Use.PAGE ? "text/html,*/*;q=0.8" : use == Use.STYLE_SHEET ? "text/css,*/*;q=0.1" : "*/*");
            rules.signIn(scheme, uri.getHost(), port(uri)).ifPresent(said -> request.setHeader("Authorization", said));
            return inTime(url, request, until, use == Use.FONT ? MOST_BYTES_OF_A_FONT : MOST_BYTES);
        } catch (URISyntaxException e) {
            return Resource.failed(url, "it isn’t an address");
        } catch (Forbidden e) {
            return Resource.failed(url, e.why);
        } catch (UnknownHostException e) {
            return Resource.failed(url, "there is no host of this name");
        } catch (SocketTimeoutException e) {
            late.merge(host(URI.create(url)), 1, Integer::sum);
            return Resource.failed(url, "the server does not answer in time");
        } catch (SSLException e) {
            return Resource.failed(url, "the connection is not secure: " + e.getMessage());
        } catch (IOException e) {
            return Resource.failed(url, "the connection failed: " + e.getMessage());
        }
    }

    private static String host(URI uri) {
        return FetchRules.key(uri.getHost(), port(uri));
    }

    private static int port(URI uri) {
        return uri.getPort() >= 0 ? uri.getPort() : uri.getScheme().equalsIgnoreCase("https") ? 443 : 80;
    }

    /** Asks for an address; the request is ended when its time is over, whatever the server is doing then. */
    private Resource inTime(String url, HttpGet request, long until, int most) throws IOException {
        underWay.set(request);
        AtomicBoolean isLate = new AtomicBoolean();
        ScheduledFuture<?> end = CLOCK.schedule(
                () -> {
                    isLate.set(true);
                    request.cancel();
                },
                until - System.nanoTime(),
                TimeUnit.NANOSECONDS);
        try {
            return stopped
                    ? Resource.failed(url, STOPPED)
                    : client.execute(request, response -> answer(url, response, most));
        } catch (IOException e) {
            if (stopped) {
                return Resource.failed(url, STOPPED);
            }
            if (isLate.get()) {
                late.merge(host(URI.create(url)), 1, Integer::sum);
                return Resource.failed(
                        url, "it takes longer than " + rules.longest().toSeconds() + " s");
            }
            throw e;
        } finally {
            end.cancel(false);
            underWay.set(null);
        }
    }

    private Resource answer(String url, ClassicHttpResponse response, int most) throws IOException {
        Map<String, String> headers = new LinkedHashMap<>();
        for (Header header : response.getHeaders()) {
            headers.putIfAbsent(header.getName().toLowerCase(Locale.ROOT), header.getValue());
        }
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        if (response.getEntity() != null) {
            try (InputStream in = response.getEntity().getContent()) {
                byte[] part = new byte[16_384];
                for (int n = in.read(part); n >= 0; n = in.read(part)) {
                    body.write(part, 0, n);
                    bytes += n;
                    if (body.size() > most) {
                        response.close();
                        return Resource.failed(url, "it is larger than " + most / 1_000_000 + " MB");
                    }
                }
            }
        }
        return new Resource(url, response.getCode(), headers, body.toByteArray(), Optional.empty());
    }

    @Override
    public void close() throws IOException {
        client.close();
    }
}
