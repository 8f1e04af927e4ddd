//! A plain connection to a server on this machine.

use std::io::{BufRead, BufReader, Read, Write};
use std::net::{SocketAddr, TcpStream};

use serde_json::Value;

pub struct Connection {
    stream: BufReader<TcpStream>,
    host: String,
}

impl Connection {
    pub fn open(address: SocketAddr) -> Self {
        let stream = TcpStream::connect(address).expect("the server listens");
        stream.set_nodelay(true).expect("no delay");
        Self {
            stream: BufReader::new(stream),
            host: address.to_string(),
        }
    }

    /// Sends one request; gives status and body.
    pub fn ask(&mut self, method: &str, path: &str, body: &str) -> (u16, Vec<u8>) {
        let request = format!(
            "{method} {path} HTTP/1.1\r\nHost: {}\r\nContent-Type: application/json\r\nContent-Length: {}\r\n\r\n{body}",
            self.host,
            body.len()
        );
        self.stream
            .get_mut()
            .write_all(request.as_bytes())
            .expect("sends");
        let (mut status, mut length) = (0, 0);
        loop {
            let mut line = String::new();
            self.stream.read_line(&mut line).expect("answers");
            let line = line.trim_end().to_ascii_lowercase();
            if line.is_empty() {
                break;
            }
            if let Some(rest) = line.strip_prefix("http/1.1 ") {
                status = rest[..3].parse().unwrap_or(0);
            } else if let Some(rest) = line.strip_prefix("content-length: ") {
                length = rest.parse().unwrap_or(0);
            }
        }
        let mut answer = vec![0; length];
        self.stream.read_exact(&mut answer).expect("a whole answer");
        (status, answer)
    }

    pub fn json(&mut self, path: &str) -> Value {
        let (_, body) = self.ask("GET", path, "");
        serde_json::from_slice(&body).expect("JSON")
    }
}
