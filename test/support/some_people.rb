# frozen_string_literal: true

require_relative "signed_in"

# The web application with an administrator, ada, and, where a test asks for him, mo.
module SomePeople
  include SignedIn

  ADA = Practice::DeskSide::Desk::EMAIL
  ADAS = Practice::DeskSide::Desk::PASSWORD
  MO = "mo@saltern-office.example"
  MOS = "marsh gate at nine"
  WRONG = "wrong wrong wrong"

  def people = house.people
  def db = world.app.db
  def mo(role = "mover") = people.put(MO, MOS, role: role)
  def id_of(email) = people.by_email(email)[:id]
  # What the journal says of people.
  def said = db[:events].where(type: "people").order(:seq).select_map(:says)
end
