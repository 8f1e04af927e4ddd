use deunicode::deunicode;
use strsim::osa_distance;

/// How far what is typed lies from a dog's or its owner's name: 0 where it stands there as typed, more
/// the more letters slipped; none where it is another name.
///
/// Case, accents and marks count for nothing. Every word typed has to be found; up to two letters of it
/// may be wrong, missing, too many or changed about, fewer in a short word.
///
/// # Examples
/// ```
/// use veliform_core::dog::nearness;
/// assert_eq!(nearness("łukasz", "Gangway", "Lukasz Ødegård"), Some(0));
/// assert_eq!(nearness("semafore", "Semaphore", ""), Some(2));
/// assert_eq!(nearness("tappet", "Gangway", "Odegard"), None);
/// ```
pub fn nearness(typed: &str, name: &str, owner: &str) -> Option<usize> {
    let (name, owner) = (folded(name), folded(owner));
    let words: Vec<&str> = [&name, &owner]
        .into_iter()
        .flat_map(|n| n.split(' '))
        .collect();
    let typed = folded(typed);
    let mut slips = 0;
    for part in typed.split(' ').filter(|part| !part.is_empty()) {
        if name.contains(part) || owner.contains(part) {
            continue;
        }
        let of_words = words.iter().filter_map(|word| slips_between(part, word));
        slips += of_words.min()?;
    }
    Some(slips)
}

/// Whether two names are one, but for case, accents and marks; nobody's name is nobody's.
pub fn is_same_name(one: &str, other: &str) -> bool {
    let one = folded(one);
    !one.is_empty() && one == folded(other)
}

/// Letters that may slip in a word of so many: none in the shortest, which would be any other word
/// (modelling choice: two of five, as people mistype names).
const fn allowed(letters: usize) -> usize {
    match letters {
        0..=2 => 0,
        3..=4 => 1,
        _ => 2,
    }
}

/// Slipped letters between what is typed and a word, or its beginning while somebody still types; none
/// where there are too many.
fn slips_between(typed: &str, word: &str) -> Option<usize> {
    let letters = typed.chars().count();
    let most = allowed(letters);
    let begun: String = word.chars().take(letters).collect();
    // A name much longer than what is typed can only be begun.
    let whole = (word.chars().count().abs_diff(letters) <= most).then(|| osa_distance(typed, word));
    let slips = osa_distance(typed, &begun).min(whole.unwrap_or(usize::MAX));
    (slips <= most).then_some(slips)
}

/// Small letters without marks, words parted by single spaces.
fn folded(text: &str) -> String {
    let plain = deunicode(text).to_lowercase();
    let words = plain.split(|c: char| !c.is_alphanumeric());
    let words: Vec<&str> = words.filter(|word| !word.is_empty()).collect();
    words.join(" ")
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_short_word_forgives_little() {
        assert_eq!(nearness("al", "Bo", "Ada"), None);
        assert_eq!(nearness("adq", "Bo", "Ada"), Some(1));
        assert_eq!(nearness("xyz", "Bo", "Ada"), None);
    }

    #[test]
    fn every_word_has_to_be_found() {
        assert_eq!(nearness("tappet ada", "Tappet", "Ada Pointsman"), Some(0));
        assert_eq!(nearness("tappet otto", "Tappet", "Ada Pointsman"), None);
    }

    #[test]
    fn letters_changed_about_are_one_slip() {
        assert_eq!(nearness("tapept", "Tappet", ""), Some(1));
        assert_eq!(nearness("ganwgay", "Gangway", ""), Some(1));
    }
}
