package app.unciala.core.license;

/** The client to whom a license was given, so that it serves the sites of this client only. */
public record Holder(String clientId, String name) {}
