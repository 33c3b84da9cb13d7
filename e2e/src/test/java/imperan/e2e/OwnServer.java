package imperan.e2e;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A class of tests that stops its server, takes its database away, or starts it in a way of its own: nobody else uses that one. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
@interface OwnServer {}
