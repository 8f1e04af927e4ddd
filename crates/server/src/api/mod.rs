//! The routes, one file per resource: extract, call, answer.

mod at_visit;
mod belongings;
mod catalogue;
mod desk;
mod devices;
mod dogs;
mod due_dogs;
mod files;
mod going_home;
mod health;
mod kit;
mod life;
mod looks;
mod next_visit;
mod owners;
mod papers;
mod past;
mod photos;
mod planning;
mod plans;
mod salon_log;
mod types;
mod visits;

pub(crate) use files::records;
pub(crate) use plans::keep;
use utoipa_actix_web::service_config::ServiceConfig;

/// All routes beneath `/api`.
pub(crate) fn routes(config: &mut ServiceConfig<'_>) {
    config
        .service(health::get_health)
        .service(catalogue::get_catalogue)
        .service(kit::get_house)
        .service(kit::put_house)
        .service(kit::get_kit)
        .service(salon_log::get_salon_log)
        .service(salon_log::get_what_to_buy)
        .service(salon_log::get_due)
        .service(due_dogs::list_due_dogs)
        .service(salon_log::get_album)
        .service(kit::put_tool)
        .service(dogs::list_dogs)
        .service(dogs::get_dog)
        .service(dogs::put_dog)
        .service(next_visit::get_next)
        .service(belongings::get_belongings)
        .service(belongings::forget_dog)
        .service(belongings::merge_dogs)
        .service(owners::get_owner)
        .service(owners::put_owner)
        .service(owners::tell_owners_apart)
        .service(owners::join_owners)
        .service(owners::get_owners_belongings)
        .service(owners::forget_owner)
        .service(life::get_life)
        .service(life::get_life_pdf)
        .service(files::export_dog)
        .service(files::import_dog)
        .service(files::get_schema)
        .service(looks::export_look)
        .service(looks::import_look)
        .service(visits::put_visit)
        .service(visits::get_visit)
        .service(visits::append_entries)
        .service(desk::evaluate_dog)
        .service(planning::plan_dog)
        .service(planning::plan_then_reasons)
        .service(desk::try_what_if)
        .service(desk::hold_picture)
        .service(desk::offer_lines)
        .service(desk::compare_schools)
        .service(desk::consult)
        .service(desk::look_ahead)
        .service(desk::show_card)
        .service(desk::look_at_run)
        .service(desk::mend_slip)
        .service(desk::knot_here)
        .service(desk::ways_ahead)
        .service(desk::check_finish)
        .service(desk::find_next_measure)
        .service(desk::read_length)
        .service(past::get_past)
        .service(photos::add_photo)
        .service(photos::take_simulated_photo)
        .service(photos::list_photos)
        .service(photos::get_photo)
        .service(photos::delete_photo)
        .service(photos::read_marks)
        .service(types::list_own_types)
        .service(types::make_own_type)
        .service(devices::stream_readings)
        .service(plans::keep_plan)
        .service(plans::list_plans)
        .service(plans::get_plan)
        .service(papers::get_sheet_pages)
        .service(papers::get_sheet_pdf)
        .service(going_home::get_agreement)
        .service(going_home::get_owner_card)
        .service(going_home::get_return_day)
        .service(papers::get_drawing_svg)
        .service(papers::get_drawing_png);
}
