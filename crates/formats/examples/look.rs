use uuid::Uuid;
use veliform_core::{coat::*, desk::*, dog::*, drawing::*, frame::*, look::*, units::*, visit::*};
fn main() {
    let mut i = 0;
    for (b, t, h, f) in [
        (BuildType::SquareCurly, Texture::Curl, 460., 0),
        (BuildType::LongLow, Texture::Silky, 260., 0),
        (BuildType::Ordinary, Texture::Curl, 400., 1),
        (BuildType::ShortFaced, Texture::Feathered, 300., 0),
        (BuildType::Terrier, Texture::Harsh, 400., 0),
        (BuildType::Retriever, Texture::Feathered, 580., 0),
    ] {
        let mut dog: Dog =
            serde_json::from_value(serde_json::json!({"id":Uuid::from_u128(1),"name":"Signal"}))
                .unwrap();
        dog.build = b;
        dog.texture = t;
        let mut v = fold(&dog, &[]);
        v.frame.measures.insert(
            Measure::HeightAtWithers,
            TakenMeasure::by(Method::Tape, Length::from_mm(h).unwrap()),
        );
        if f == 1 {
            for x in [
                Felt::ForeFeetOut,
                Felt::ForeLegsBowed,
                Felt::HocksIn,
                Felt::HeavyShoulder,
            ] {
                v.frame.felt.insert(x, Grade::Marked);
            }
            v.frame.felt_right.insert(Felt::ForeFeetOut, Grade::None);
        }
        v.look = Some(LookChoice {
            look: LookId::Lamb,
            body_mm: None,
        });
        let (house, kit) = (House::default(), vec![]);
        let desk = Desk::new(&dog, &v, &house, &kit);
        let plan = std::env::args().nth(1).is_some();
        let solved = plan.then(|| desk.plan(Reasons::Skip).unwrap());
        let o = DrawOptions {
            sheet: Sheet::Four,
            layers: Layers {
                measures: !plan,
                landmarks: !plan,
                doubt: !plan,
                ..Layers::default()
            },
            ..DrawOptions::default()
        };
        let d = desk.draw(solved.as_ref(), &o);
        let svg = veliform_formats::drawing_svg(&d, veliform_formats::Theme::Light, 400.);
        std::fs::write(
            format!("/tmp/v{i}.png"),
            veliform_formats::png(&svg, 1000).unwrap(),
        )
        .unwrap();
        i += 1;
    }
}
