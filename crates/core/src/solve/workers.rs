use std::fmt;

use super::programme::SolveError;

/// Who does work that falls into two halves.
///
/// The core starts no thread: whoever calls it knows what the machine has and hands in how two pieces of
/// work are done.
pub trait Workers: fmt::Debug + Sync {
    /// Does both pieces, beside one another or in turn, and comes back when both are done.
    fn both(&self, one: &mut (dyn FnMut() + Send), other: &mut (dyn FnMut() + Send));
}

/// Does one piece after the other.
#[derive(Clone, Copy, Debug)]
pub struct OneWorker;

impl Workers for OneWorker {
    fn both(&self, one: &mut (dyn FnMut() + Send), other: &mut (dyn FnMut() + Send)) {
        one();
        other();
    }
}

/// Works through a list in two halves, the answers in the order of the list every time.
///
/// # Errors
/// The first failure of either half.
pub fn in_halves<T: Sync, R: Send>(
    workers: &dyn Workers,
    list: &[T],
    work: impl Fn(&[T]) -> Result<Vec<R>, SolveError> + Sync,
) -> Result<Vec<R>, SolveError> {
    let (first, second) = list.split_at(list.len() / 2);
    let (mut one, mut other) = (None, None);
    workers.both(&mut || one = Some(work(first)), &mut || {
        other = Some(work(second));
    });
    // A half that no worker took is done here.
    let mut all = one.unwrap_or_else(|| work(first))?;
    all.extend(other.unwrap_or_else(|| work(second))?);
    Ok(all)
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Takes the second half first, and leaves the first to whoever asked.
    #[derive(Debug)]
    struct Unwilling;

    impl Workers for Unwilling {
        fn both(&self, _: &mut (dyn FnMut() + Send), other: &mut (dyn FnMut() + Send)) {
            other();
        }
    }

    #[test]
    fn answers_stand_in_the_order_of_the_list_whoever_works() {
        let doubled = |list: &[u32]| Ok(list.iter().map(|n| 2 * n).collect());
        for workers in [&OneWorker as &dyn Workers, &Unwilling] {
            for n in 0..5 {
                let list: Vec<u32> = (0..n).collect();
                let wanted: Vec<u32> = (0..n).map(|n| 2 * n).collect();
                let all = in_halves(workers, &list, doubled).expect("nothing fails");
                assert_eq!(all, wanted, "{workers:?}");
            }
        }
    }
}
