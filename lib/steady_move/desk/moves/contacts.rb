# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # The people behind a name: are their contacts complete, is their mailbox read, and what can
      # be done where it isn't.
      class Contacts
        # What a repair needs done by hand: where, and the value; done: whether the desk did it over
        # the connection.
        Repaired = Struct.new(:done, :hand, :mailto, keyword_init: true)
        ROLES = %w[registrant admin technical].freeze
        ADDRESS = /\A[^\s@]+@[^\s@]+\.[^\s@]+\z/

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # judged: Portfolio::Judging::Judged. Returns [Core::Contacts::Card], one for each role that
        # something is known of.
        def cards(judged)
          boxes = @ports.letters.mailboxes
          ROLES.filter_map do |role|
            fields = judged.facts[:"#{role}_contact"] || {}
            email = judged.facts[:"#{role}_email"] || fields["email"]
            next if fields.empty? && email.to_s.empty?

            state, at = boxes[email.to_s.downcase]
            state ||= judged.facts[:mailbox] if role == "registrant"
            Core::Contacts::Card.new(
              role: role,
              fields: fields.merge("email" => email),
              mailbox: state,
              on_name: on_name?(judged, email),
              mailbox_at: Store::Values.time(at),
              shared_with: shared(judged, role)
            ).freeze
          end
        end

        # What could be done about the mailbox that decides. Returns
        # [Core::Contacts::Repairs::Choice].
        def choices(judged)
          family = judged.judgement.family
          habits = judged.account.habits
          role = Common::ContactRoles.deciding(judged.account, family)
          Core::Contacts::Repairs.choices(
            role: role,
            at: @ports.now,
            block_days: block_days(family),
            opt_out: habits["opt_out"],
            late: habits["contacts_late"],
            shared: shared(judged, role),
            mail_decides: Common::ContactRoles.mail_decides?(judged),
            same_entry: same_entry?(judged),
            code_elsewhere: judged.account.ways["code"] != "mail"
          )
        end

        # Sends a word to one role's mailbox that has to come back. Returns [letter id, the word
        # where nothing could be sent].
        # Raises Refused.
        def prove(judged, role, by:)
          card = cards(judged).find { |c| c.role == role }
          if card.nil? || card.email.empty?
            raise Refused.new(:invalid, :no_contact_address, role: words(role))
          end

          sent =
            Letters::LetterWriter.new(@ports).prove(
              card.email,
              names: [judged.name.ascii],
              steps: [],
              by: by
            )
          note(judged, "proof", by, address: card.email)
          sent
        end

        # Carries out a choice that changes an address. email: the new one. Raises Refused.
        def repair(judged, choice_id, email, by:)
          choice = possible(judged, choice_id)
          unless email.to_s.match?(ADDRESS)
            raise Refused.new(:invalid, :not_an_address, given: email)
          end

          role = choice.changes.first
          way = judged.account.ways["contacts"]
          done = way == "connection"
          change(judged, role, email) if done
          key = done ? "repaired" : "repair_chosen"
          note(
            judged,
            key,
            by,
            type: "repair",
            role: words(role),
            address: email,
            consequence: choice.says.first
          )
          Repaired.new(
            done: done,
            hand: (hand(judged, role, email, way, choice) unless done),
            mailto: (letter(judged, role, email, by) if way == "letter")
          )
        end

        private

        def possible(judged, choice_id)
          choice = choices(judged).find { |c| c.id == choice_id } or
            raise Refused.new(:invalid, :no_such_choice, given: choice_id)
          values = { title: choice.title, says: choice.says.first }
          raise Refused.new(:invalid, :choice_impossible, **values) unless choice.possible
          raise Refused.new(:invalid, :choice_changes_nothing, **values) unless choice.changes

          choice
        end

        # One entry for both roles, where a connection changes entries.
        def same_entry?(judged)
          ids =
            %w[registrant admin].map { |role| judged.facts[:"#{role}_contact"]&.fetch("id", nil) }
          judged.account.ways["contacts"] == "connection" && !ids.first.nil? && ids.uniq.size == 1
        end

        def block_days(family)
          rule = "registrant-change"
          family.lines.fetch(rule).params.fetch("days") if family&.rules&.include?(rule)
        end

        # A change is an outward act: written down before and after.
        def change(judged, role, email)
          account = judged.account
          id = judged.facts[:"#{role}_contact"]&.fetch("id", nil) or
            raise Refused.new(:invalid, :contact_not_shown, title: account.title)
          key = "contact-#{@ports.random.rand(10**9)}"
          note(
            judged,
            "changing_contact",
            "desk",
            type: "intended",
            data: {
              "key" => key
            },
            role: words(role),
            title: account.title
          )
          @ports
            .epp
            .with(account) do |c|
              c.request(Wire::Epp::Commands.contact_update(contact: id, id: key, email: email))
            end
          Portfolio::Observe.new(@ports).name(judged.name, account)
        rescue Wire::Error => e
          raise Refused.new(:invalid, :account_says, title: account.title, says: e.says)
        end

        def hand(judged, role, email, way, choice)
          account = judged.account
          opt_out = choice.id == "opt-out" ? "opt_out_" : ""
          does =
            Words.say(
              :"contacts.hand.#{opt_out}#{way == "letter" ? "letter" : "page"}",
              name: judged.name.ascii,
              role: words(role)
            )
          Instructions::Hand.new(
            place: account.id,
            title: account.title,
            site: account.habits["site"],
            login: account.habits["login"],
            does: does,
            way: way,
            typed: [[Words.say(:"contacts.email_of", role: words(role)), email]]
          )
        end

        def letter(judged, role, email, by)
          account = judged.account
          return unless account.habits["support"]

          detail = Words.say(:"letters.contact_detail", role: words(role), email: email)
          Letters::Correspondence.write(
            Letters::Addressee.of(account),
            writer: by,
            reference: judged.name.ascii,
            parts: [["contact", [judged.name.ascii], [detail]]]
          ).mailto
        end

        # How many other names here have the same contact object.
        def shared(judged, role)
          id = judged.facts[:"#{role}_contact"]&.fetch("id", nil)
          id ? @ports.names.with_contact(id, account: judged.account.id) - 1 : 0
        end

        def on_name?(judged, email)
          domain = email.to_s.downcase.rpartition("@").last
          own = judged.name.ascii
          domain == own || domain.end_with?(".#{own}") ||
            Array(judged.facts[:same_zone]).include?(domain) || moving?(domain)
        end

        # Does the mailbox lie on a name that is itself being moved?
        def moving?(domain) = !domain.empty? && !@ports.moves.open_for(domain).nil?
        def words(role) = Words.phrase("contacts.roles.#{role == "admin" ? "admin" : "registrant"}")

        def note(judged, key, by, type: key, data: {}, **values)
          says = Words.phrase("journal.#{key}", by: by, **values)
          @ports.journal.add(
            type,
            at: @ports.now,
            says: says,
            by: by,
            name: judged.name.ascii,
            data: data
          )
        end
      end
    end
  end
end
