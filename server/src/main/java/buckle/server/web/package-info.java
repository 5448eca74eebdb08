/** What all of the web side shares: refusals, the guard of the loopback, the shapes of the API. */
@NullMarked
package buckle.server.web;

import org.jspecify.annotations.NullMarked;
