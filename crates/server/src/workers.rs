use veliform_core::solve::Workers;

/// The two threads that a computation may take for what falls into halves: its own, and one beside it.
#[derive(Clone, Copy, Debug)]
pub(crate) struct TwoThreads;

impl Workers for TwoThreads {
    fn both(&self, one: &mut (dyn FnMut() + Send), other: &mut (dyn FnMut() + Send)) {
        std::thread::scope(|scope| {
            let beside = scope.spawn(one);
            other();
            if let Err(cause) = beside.join() {
                std::panic::resume_unwind(cause);
            }
        });
    }
}
