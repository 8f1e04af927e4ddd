//! Embeds a new front end whenever it has been built.
fn main() {
    println!("cargo::rerun-if-changed=../../web/dist");
    println!("cargo::rerun-if-changed=../../demo-salon");
}
