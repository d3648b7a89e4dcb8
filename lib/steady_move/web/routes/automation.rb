# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Tokens for programs, webhooks, and when a person is told by mail.
      module Automation
        extend Answers

        # What the pages show.
        module Helpers
          def tokens = application.tokens
          def hooks = Desk::Automation::Webhooks.new(desk)
          def notices = Desk::Automation::Notices.new(desk)

          def tokens_page(token: nil)
            {
              tokens: tokens.for_person(person[:id]).map { |t| Views::Json.value(t) },
              token: token,
              roles:
                Desk::People::Directory::ROLES.select do |r|
                  Desk::People::Directory.may?(person[:role], r)
                end
            }
          end

          def hooks_page(secret: nil)
            {
              hooks: hooks.all.map { |h| Views::Json.value(h) },
              types: Desk::Automation::Webhooks::TYPES,
              secret: secret
            }
          end

          def notices_page = { **notices.for_person(person[:id]), able: !desk.sender.nil? }
        end

        on("myTokens") { tokens_page }

        on "newToken" do
          token =
            tokens.make(person, title: given["title"], role: given["role"], days: given["days"])
          headers "Cache-Control" => "no-store"
          tokens_page(token: token)
        end

        on "endToken" do
          tokens.finish(person, asked[:id])
          tokens_page
        end

        on("myNotices") { notices_page }

        on "chooseNotices" do
          hour = given.fetch("hour", 7)
          notices.choose(person[:id], choice: given["choice"], hour: hour, by: me)
          notices_page
        end

        on("webhooks") { hooks_page }

        on "addWebhook" do
          _, secret = hooks.add(given["url"], types: given["types"], by: me)
          headers "Cache-Control" => "no-store"
          hooks_page(secret: secret)
        end

        on "removeWebhook" do
          hooks.remove(asked[:id], by: me)
          hooks_page
        end
      end
    end
  end
end
