use super::programme::SolveError;

/// Works through a list on two cores: half of it beside the other half, the answers in the order
/// of the list every time.
///
/// # Errors
/// The first failure of either half.
pub fn in_halves<T: Sync, R: Send>(
    list: &[T],
    work: impl Fn(&[T]) -> Result<Vec<R>, SolveError> + Sync,
) -> Result<Vec<R>, SolveError> {
    let (first, second) = list.split_at(list.len() / 2);
    let (one, other) = std::thread::scope(|scope| {
        let beside = scope.spawn(|| work(first));
        let other = work(second);
        let one = beside
            .join()
            .unwrap_or_else(|cause| std::panic::resume_unwind(cause));
        (one, other)
    });
    let mut all = one?;
    all.extend(other?);
    Ok(all)
}
