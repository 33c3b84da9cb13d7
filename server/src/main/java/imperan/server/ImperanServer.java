package imperan.server;

import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The server: one live show, its sockets, its tables and its browsers. */
@SpringBootApplication
@MapperScan("imperan.server.store")
public class ImperanServer {

    public static void main(String[] arguments) {
        SpringApplication.run(ImperanServer.class, arguments);
    }
}
