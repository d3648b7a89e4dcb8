# frozen_string_literal: true

module SteadyMove
  module Desk
    # The people behind a name: are their contacts complete, is their mailbox read, and what can be done where it isn't.
    class Contacts
      # What can't be done; says why.
      class Invalid < StandardError; end

      # What a repair needs done by hand: where, and the value; done: whether the desk did it over the connection.
      Repaired = Struct.new(:done, :hand, :mailto, keyword_init: true)
      ROLES = %w[registrant admin].freeze

      # The role whose mailbox decides: where the registry asks by mail, the registrant; where a code is mailed, whom the account's habits name.
      def self.deciding(account, family)
        return "registrant" if family&.approval == "mail"

        account.habits["code_to"] == "admin" ? "admin" : "registrant"
      end

      # Does a mail decide the move of a judged name?
      def self.mail_decides?(judged) = (family = judged.judgement.family) ? Core::Readiness::Rules::Persons.mail_decides?(judged.facts, family) : false

      # The address that a registrar writes to in a move, or nil.
      def self.address(facts, role) = (facts[:"#{role}_email"] || facts[:registrant_email]).to_s.then { |a| a.empty? ? nil : a }

      def initialize(app)
        @app = app
      end

      # judged: Judging::Judged. Returns [Core::Contacts::Card], one for each role that something is known of.
      def cards(judged)
        boxes = @app.letters.mailboxes
        ROLES.filter_map do |role|
          fields = judged.facts[:"#{role}_contact"] || {}
          email = judged.facts[:"#{role}_email"] || fields["email"]
          next if fields.empty? && email.to_s.empty?

          state, at = boxes[email.to_s.downcase]
          state ||= judged.facts[:mailbox] if role == "registrant"
          Core::Contacts::Card.new(role: role, fields: fields.merge("email" => email), mailbox: state, mailbox_at: Store::Values.time(at), shared_with: shared(judged, role), on_name: on_name?(judged, email)).freeze
        end
      end

      # What could be done about the mailbox that decides. Returns [Core::Contacts::Repairs::Choice].
      def choices(judged)
        family = judged.judgement.family
        account = judged.account
        role = self.class.deciding(account, family)
        Core::Contacts::Repairs.choices(
          role: role, at: @app.now, block_days: block_days(family), opt_out: account.habits["opt_out"], late: account.habits["contacts_late"], shared: shared(judged, role),
          mail_decides: self.class.mail_decides?(judged), code_elsewhere: account.ways["code"] != "mail", same_entry: same_entry?(judged)
        )
      end

      # Sends a word to one role's mailbox that has to come back. Returns [letter id, the word where nothing could be sent]. Raises Invalid.
      def prove(judged, role, by:)
        card = cards(judged).find { |c| c.role == role }
        raise Invalid, "no address of the #{role} is known" if card.nil? || card.email.empty?

        sent = Letters.new(@app).prove(card.email, names: [judged.name.ascii], steps: [], by: by)
        note(judged, "proof", "#{by} had a word sent to #{card.email}, which has to come back.", by)
        sent
      end

      # Carries out a choice that changes an address. email: the new one. Raises Invalid.
      def repair(judged, choice_id, email, by:)
        choice = choices(judged).find { |c| c.id == choice_id } or raise Invalid, "“#{choice_id}” is not one of the choices"
        raise Invalid, "#{choice.title}: this can't be done here. #{choice.says.first}" unless choice.possible
        raise Invalid, "“#{choice.title}” changes no address" unless choice.changes
        raise Invalid, "“#{email}” is not an e-mail address" unless email.to_s.match?(/\A[^\s@]+@[^\s@]+\.[^\s@]+\z/)

        role = choice.changes.first
        way = judged.account.ways["contacts"]
        done = way == "connection"
        change(judged, role, email) if done
        note(judged, "repair", "#{by} #{done ? 'changed' : 'chose to change'} the #{words(role)}'s address to #{email}. #{choice.says.first}", by)
        Repaired.new(done: done, hand: (hand(judged, role, email, way, choice) unless done), mailto: (letter(judged, role, email, by) if way == "letter"))
      end

      private

      # One entry for both roles, where a connection changes entries.
      def same_entry?(judged)
        ids = ROLES.map { |role| judged.facts[:"#{role}_contact"]&.fetch("id", nil) }
        judged.account.ways["contacts"] == "connection" && !ids.first.nil? && ids.uniq.size == 1
      end

      def block_days(family)
        family&.rules&.include?("registrant-change") ? family.lines.fetch("registrant-change").params.fetch("days") : nil
      end

      # A change is an outward act: written down before and after.
      def change(judged, role, email)
        id = judged.facts[:"#{role}_contact"]&.fetch("id", nil) or raise Invalid, "#{judged.account.title} shows no contact of that role over its connection"
        key = "contact-#{@app.random.rand(10**9)}"
        @app.journal.add("intended", at: @app.now, by: "desk", name: judged.name.ascii, says: "Changing the #{words(role)}'s address at #{judged.account.title}.", data: { "key" => key })
        @app.epp.with(judged.account) { |c| c.request(Wire::Epp::Commands.contact_update(contact: id, id: key, email: email)) }
        Observe.new(@app).name(judged.name, judged.account)
      rescue Wire::Error => e
        raise Invalid, "#{judged.account.title}: #{e.says}"
      end

      def hand(judged, role, email, way, choice)
        account = judged.account
        does = "#{'Declare the opt-out first. Then ' if choice.id == 'opt-out'}#{way == 'letter' ? 'Write to its support' : "open #{judged.name.ascii}"} and change the e-mail address of the #{words(role)}; change nothing else."
        Instructions::Hand.new(place: account.id, title: account.title, site: account.habits["site"], login: account.habits["login"], does: does.sub(/\A\w/, &:upcase), typed: [["E-mail of the #{words(role)}", email]], way: way)
      end

      def letter(judged, role, email, by)
        account = judged.account
        return unless account.habits["support"]

        Core::Letters::Writer.write(to: account.habits["support"], title: account.title, login: account.habits["login"], writer: by, reference: judged.name.ascii,
                                    parts: [["contact", [judged.name.ascii], ["the e-mail of the #{words(role)} shall be #{email}"]]]).mailto
      end

      # How many other names here have the same contact object.
      def shared(judged, role)
        id = judged.facts[:"#{role}_contact"]&.fetch("id", nil)
        id ? @app.names.with_contact(id, account: judged.account.id) - 1 : 0
      end

      def on_name?(judged, email)
        domain = email.to_s.downcase.rpartition("@").last
        domain == judged.name.ascii || domain.end_with?(".#{judged.name.ascii}") || Array(judged.facts[:same_zone]).include?(domain) || moving?(domain)
      end

      # Does the mailbox lie on a name that is itself being moved?
      def moving?(domain) = !domain.empty? && !@app.moves.open_for(domain).nil?
      def words(role) = role == "admin" ? "administrative contact" : "registrant"
      def note(judged, type, says, by) = @app.journal.add(type, at: @app.now, says: says, by: by, name: judged.name.ascii)
    end
  end
end
