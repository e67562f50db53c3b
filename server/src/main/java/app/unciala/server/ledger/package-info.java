/** The licenses as files that go out and come in: CSV, JSON and ODRL policies. */
@NullMarked
package app.unciala.server.ledger;

import org.jspecify.annotations.NullMarked;
