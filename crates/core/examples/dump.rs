#[path = "../tests/support/mod.rs"]
mod support;
use support::*;
use veliform_core::look::*;
use veliform_core::balance::Judged;
fn main() {
    let look = one_length();
    for (look, h, l) in [(look, 330.0, 1.18), (lamb(), 460.0, 1.12), (lamb(),460.0,1.0)] {
        let dog = solve(&build(h, |b, h| b.length = l * h), &ample_coat(&look, h), &look);
        for (s, l) in dog.subject.spots.iter().zip(&dog.solution.lengths_mm) {
            println!("{:?} {:.1} nom {:.1} [{:.1} {:.1}] floor {:.1}", s.place, l, s.nominal, s.low, s.high, s.floor);
        }
        for j in Judged::ALL { println!("{:?} plan {:.3?} clip {:.3?}", j, dog.plan(j), dog.clip(j)); }
        println!("{:?} iter {} obj {}", dog.solution.reach, dog.solution.iterations, dog.solution.objective);
    }
}
