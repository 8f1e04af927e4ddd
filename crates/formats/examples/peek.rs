use veliform_core::desk::*; use veliform_core::drawing::*; use veliform_core::visit::fold; use veliform_formats::*;
fn main(){
  let salon: serde_json::Value = serde_json::from_str(&std::fs::read_to_string("demo/salon.json").unwrap()).unwrap();
  let house = serde_json::from_value(salon["house"].clone()).unwrap(); let kit: Vec<veliform_core::kit::Tool> = serde_json::from_value(salon["kit"].clone()).unwrap();
  for n in std::env::args().skip(1) {
    let f = read_dog_file(&std::fs::read(format!("demo/dogs/{n}.json")).unwrap()).unwrap();
    let v = fold(&f.dog, &f.visits[0].entries); let d = Desk::new(&f.dog,&v,&house,&kit);
    println!("{:?}", d.problems);
    let s = d.plan(Reasons::Find).unwrap();
    let o = DrawOptions{layers: Layers{lines:true,lengths:true,pins:true,..Default::default()},..Default::default()};
    let dr = d.draw(Some(&s), &o);
    println!("{} shapes {} bytes", dr.shapes.len(), serde_json::to_string(&dr).unwrap().len());
    std::fs::write(format!("/tmp/p_{n}.png"), png(&drawing_svg(&dr, Theme::Light, 200.), 800).unwrap()).unwrap();
    let o = DrawOptions{layers: Layers{plan:false,measures:true,landmarks:false,..Default::default()},..Default::default()};
    std::fs::write(format!("/tmp/n_{n}.png"), png(&drawing_svg(&d.draw(None,&o), Theme::Light, 200.), 800).unwrap()).unwrap();
    println!("{}", plan_text(&f.dog,&s.report));
    let sv = sheet_svg(&Sheet{name:&f.dog.name,owner:&f.dog.owner,salon:"The Signal Box",day:"25 November 2026",plan:&s.report,drawing:&d.draw(Some(&s),&o)});
    std::fs::write(format!("/tmp/s_{n}.png"), png(&sv, 1240).unwrap()).unwrap(); std::fs::write(format!("/tmp/s_{n}.pdf"), pdf(&sv).unwrap()).unwrap();
  }
}
