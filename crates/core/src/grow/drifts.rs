//! What an eye sees where judged numbers have grown out of their range, in the words of their rules.

use crate::balance::Judged;

/// What has become of the outline, each thing once, in the order it is judged.
pub(super) fn drifted(judged: impl IntoIterator<Item = Judged>) -> Vec<&'static str> {
    let mut said: Vec<&'static str> = Vec::new();
    for judged in judged {
        let goes = judged.rule().goes;
        if !said.contains(&goes) {
            said.push(goes);
        }
    }
    said
}
