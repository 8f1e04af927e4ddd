use std::io::Write as _;
use std::net::{IpAddr, Ipv4Addr, Ipv6Addr, SocketAddr, TcpListener};
use std::path::{Path, PathBuf};
use std::time::Duration;

use actix_web::HttpServer;
use veliform_store::{Store, StoreError};

use crate::app::app;
use crate::blocking::Salon;
use crate::front::Files;

/// How to serve.
#[derive(Clone, Debug)]
pub struct Settings {
    /// The salon's data file.
    pub data: PathBuf,
    /// Address to listen on.
    pub bind: IpAddr,
    /// Port; 0 picks a free one.
    pub port: u16,
    /// Whether another port may be taken if that one is.
    pub may_move: bool,
    /// The front end's files.
    pub front: Files,
    /// Lines printed once it listens, after the address.
    pub greeting: Vec<String>,
}

/// Why it does not serve.
#[derive(Debug, thiserror::Error)]
pub enum ServeError {
    /// Not this machine.
    #[error(
        "{0} is not an address its own page can be opened at. Veliform has no sign-in yet and listens on this machine only: use 127.0.0.1 or ::1."
    )]
    NotHere(IpAddr),
    /// The port is taken.
    #[error(
        "{address} cannot be listened on ({source}); choose another --port, or 0 for a free one."
    )]
    Bind {
        /// The address.
        address: SocketAddr,
        /// The system's own error.
        #[source]
        source: std::io::Error,
    },
    /// The data file.
    #[error("{path}: {source}")]
    Store {
        /// The file.
        path: PathBuf,
        /// What is wrong.
        #[source]
        source: StoreError,
    },
    /// The server stopped with an error.
    #[error("the server stopped: {0}")]
    Stopped(#[from] std::io::Error),
}

/// Time a request may take to arrive, and a stopping server waits for answers under way.
const REQUEST_TIME: Duration = Duration::from_secs(10);
const SHUTDOWN_SECONDS: u64 = 5;
/// Two threads: the machine of a salon has two cores.
const WORKERS: usize = 2;
/// Threads a worker hands its reading and computing to: one store and a few cores are shared by all, and each
/// thread holds memory of its own.
const BLOCKING_THREADS: usize = 4;

/// Opens the data file of a salon, or begins a new one where there is none; says which.
///
/// # Errors
/// If it cannot be used.
pub(crate) fn open_or_begin(path: &Path) -> Result<(Store, bool), ServeError> {
    let is_new = !path.exists();
    let store = if is_new {
        Store::create(path)
    } else {
        Store::open(path)
    };
    let store = store.map_err(|source| ServeError::Store {
        path: path.to_owned(),
        source,
    })?;
    Ok((store, is_new))
}

/// Opens the data file of a salon that is there.
///
/// # Errors
/// If it cannot be used.
pub(crate) fn open(path: &Path) -> Result<Store, ServeError> {
    Store::open(path).map_err(|source| ServeError::Store {
        path: path.to_owned(),
        source,
    })
}

/// Serves until it is told to stop, then ends what is under way.
///
/// # Errors
/// If it cannot listen, or the data file cannot be used.
pub(crate) async fn serve(settings: Settings) -> Result<(), ServeError> {
    let own = [
        IpAddr::V4(Ipv4Addr::LOCALHOST),
        IpAddr::V6(Ipv6Addr::LOCALHOST),
    ];
    if !own.contains(&settings.bind) {
        return Err(ServeError::NotHere(settings.bind));
    }
    let listener = listen(&settings)?;
    let address = listener.local_addr()?;
    let (store, is_new) = Store::serve(&settings.data).map_err(|source| ServeError::Store {
        path: settings.data.clone(),
        source,
    })?;
    let mut greeting = settings.greeting.clone();
    if is_new {
        greeting.insert(
            0,
            format!("A new salon begins in {}.", settings.data.display()),
        );
    }
    let salon = Salon::new(store).with_front(settings.front);
    let server = HttpServer::new(move || app(&salon).0)
        .workers(WORKERS)
        .worker_max_blocking_threads(BLOCKING_THREADS)
        .client_request_timeout(REQUEST_TIME)
        .client_disconnect_timeout(REQUEST_TIME)
        .shutdown_timeout(SHUTDOWN_SECONDS)
        .listen(listener)?
        .run();
    if let Err(error) = greet(address, &greeting) {
        // Whoever started it does not listen; it serves all the same.
        tracing::warn!("the greeting could not be printed: {error}");
    }
    server.await?;
    Ok(())
}

fn greet(address: SocketAddr, lines: &[String]) -> std::io::Result<()> {
    let mut out = std::io::stdout().lock();
    writeln!(out, "Veliform is at http://{address}")?;
    for line in lines {
        writeln!(out, "{line}")?;
    }
    out.flush()
}

fn listen(settings: &Settings) -> Result<TcpListener, ServeError> {
    let address = SocketAddr::new(settings.bind, settings.port);
    TcpListener::bind(address)
        .or_else(|error| {
            if settings.may_move {
                TcpListener::bind(SocketAddr::new(settings.bind, 0))
            } else {
                Err(error)
            }
        })
        .and_then(|listener| {
            listener.set_nonblocking(true)?;
            Ok(listener)
        })
        .map_err(|source| ServeError::Bind { address, source })
}
