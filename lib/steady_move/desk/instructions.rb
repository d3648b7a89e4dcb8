# frozen_string_literal: true

module SteadyMove
  module Desk
    # What a person does at one step by hand: where they sign in, what they do there, and the values they type.
    class Instructions
      # place: id by which acts are gathered; title, site, login: where; does: a sentence; typed: [[label, text]]; way: of Core::Moves::Ways;
      # pastes: a code is pasted back here; mailto: a letter to its support, where the act has become late (RFC 6068).
      Hand = Struct.new(:place, :title, :site, :login, :does, :typed, :way, :pastes, :mailto, keyword_init: true)

      ASKS = {
        "page" => "Open {name}, have its authorization code shown, and paste it here.",
        "mail" => "Open {name} and ask for its authorization code; it is sent by mail to {contact}."
      }.freeze

      def initialize(app)
        @app = app
      end

      # The address that the losing side writes to in this move, as it is known now.
      def self.contact(app, move)
        role = move.plan.way("silence") == "lapses" ? "registrant" : Contacts.deciding(app.accounts.find(move.from_account), nil)
        Contacts.address(app.names.facts(move.name), role)
      end

      # step_state: of a step by hand. Returns a Hand, or nil where the desk does it itself.
      def of(move, step_state)
        step = step_state.step
        return unless step.by_hand?

        place, title, site, login = where(move, step)
        site = link(move) || site if step.way == "link"
        Hand.new(place: place, title: title, site: site, login: login, does: does(move, step), typed: typed(move, step), way: step.way, pastes: step.id == "ask-code", mailto: (support(move, step) if step_state.phase == "stuck"))
      end

      private

      def where(move, step)
        account = @app.accounts.find(step.place == "gaining" ? move.to_account : move.from_account)
        return ["contact", self.class.contact(@app, move), nil, nil] if step.place == "contact"

        service = account.privacy_service if step.place == "service" && step.way == "service"
        return ["service-#{account.id}", *service.values_at("title", "site", "login")] if service
        return ["registry", "The registry", nil, nil] if step.id == "release" && move.plan.way("silence") == "lapses"

        [account.id, account.title, *account.habits.values_at("site", "login")]
      end

      def support(move, step)
        account = @app.accounts.find(step.place == "gaining" ? move.to_account : move.from_account)
        address = account.habits["support"]
        return if step.letter.nil? || address.nil? || step.by_letter?

        Core::Letters::Writer.write(to: address, title: account.title, login: account.habits["login"], writer: @app.sender&.from.to_s, reference: move.name, parts: [[step.letter, [move.name], []]]).mailto
      end

      def does(move, step)
        text = case [step.id, step.way]
               when %w[ask-code page], %w[ask-code mail] then ASKS.fetch(step.way)
               when %w[release link] then "Open the link in its mail and approve the transfer of {name} there."
               else step.by_letter? ? "Write to its support." : step.hand
               end
        words = move.plan.words
        words = words.merge(contact: self.class.contact(@app, move) || "its contact") if text.include?("{contact}")
        Core::Moves::Step.filled(text, words)
      end

      def typed(move, step)
        case step.id
        when "switch-ns" then move.plan.name_servers.each_with_index.map { |s, i| ["Name server #{i + 1}", s] }
        when "ask-code" then @app.accounts.find(move.from_account).habits["code_reason"] ? [["A reason, which is asked for", "We gather all our names in one account."]] : []
        else []
        end
      end

      # The link of the newest message that asks for this approval and that nothing speaks against.
      def link(move) = @app.messages.all(move_id: move.id).find { |m| m[:kind] == "approval-request" && !m[:doubtful] && m[:link] }&.fetch(:link)
    end
  end
end
