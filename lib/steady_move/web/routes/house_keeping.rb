# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Arriving, people, and how the desk itself is.
      module HouseKeeping
        extend Answers

        # The people page.
        module Helpers
          def people_page
            invited = application.people.invitations.open
            {
              people: application.people.all,
              roles: Desk::People::Directory::ROLES,
              invitations:
                invited.map { |i| i.merge(expires_at: Views::Json.time(Time.at(i[:expires_at]))) }
            }
          end
        end

        on "firstRun" do
          application.first_run.administrator(given["word"], given["email"], given["password"])
          status 201
          { email: given["email"].downcase }
        end

        on("acceptInvitation") do
          { email: application.people.invitations.accept(given["word"], given["password"]) }
        end
        on("people") { people_page }

        on "invite" do
          status 201
          { word: application.people.invitations.make(given["email"], role: given["role"], by: me) }
        end

        on "takeInvitationBack" do
          application.people.invitations.take_back(given["email"], by: me)
          people_page
        end

        on "passwordWord" do
          status 201
          { word: application.people.password_words.make(asked[:id], by: me) }
        end

        on "forgetFactor" do
          application.people.forget_factor(asked[:id], by: me)
          people_page
        end

        on "changePerson" do
          role = given["role"]
          people = application.people
          role ? people.change_role(asked[:id], role, by: me) : people.remove(asked[:id], by: me)
          people_page
        end

        on "limitPerson" do
          limit =
            given["limit"]&.then { |a| Core::Money::Amount.new(*a.values_at("minor", "currency")) }
          Desk::Planning::Spending.new(desk).limit_person(asked[:id], limit, by: me)
          people_page
        end

        on("status") { application.status.report }
      end
    end
  end
end
