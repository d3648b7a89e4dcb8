# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What a person does at one step by hand: where they sign in, what they do there, and the
      # values they type.
      class Instructions
        # place: id by which acts are gathered; title, site, login: where; does: a sentence; typed:
        # [[label, text]]; way: of Core::Moves::Channels; pastes: a code is pasted back here;
        # types_code: the name's code is typed there;
        # mailto: a letter to its support, where the act has become late (RFC 6068); order: what is
        # ordered (ManualOrders::Line), or nil;
        # records: does the records' sheet say what is typed; host: DNS host whose name servers are
        # told here, or nil; on_word: nobody outside can see it done, so that a person's word is all
        # there is;
        # account, act, found: whose page it is, which act, and where people noted that it is found
        # there.
        Hand =
          Struct.new(
            :place,
            :title,
            :site,
            :login,
            :does,
            :typed,
            :way,
            :pastes,
            :types_code,
            :mailto,
            :order,
            :account,
            :act,
            :found,
            :records,
            :host,
            :on_word,
            keyword_init: true
          )

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # The address that the losing side writes to in this move, as it is known now; nil where
        # none is.
        def self.contact(accounts, names, move)
          role =
            (
              if move.plan.lapses?
                "registrant"
              else
                Common::ContactRoles.deciding(accounts.find(move.from_account), nil)
              end
            )
          Common::ContactRoles.address(names.facts(move.name), role)
        end

        # What is put into a step's title and sentence. The contact is looked up only where the text
        # speaks of it.
        def words(move)
          Common::MoveWords.values(move.plan, @ports.accounts).merge(
            contact: ->(*) { contact(move) || Words.say(:"common.its_contact") }
          )
        end

        # The id of the place where a person does this step.
        def place(move, step) = where(move, step).first

        # step_state: of a step by hand. Returns a Hand, or nil where the desk does it itself.
        def for_step(move, step_state, words: self.words(move))
          step = step_state.step
          return unless step.by_hand?

          place, title, site, login = where(move, step)
          site = link(move, step) || site if step.way == "link"
          Hand.new(
            place: place,
            title: title,
            site: site,
            login: login,
            does: does(step, words),
            typed: typed(move, step),
            way: step.way,
            order: order_line(move, step),
            **on_page(move, step),
            records: step.trait?(:sheet),
            host: (move.plan.new_host if step.trait?(:new_servers)),
            pastes: step.trait?(:paste),
            types_code: types_code?(move, step),
            on_word: step.proof == :on_word,
            mailto: (support(move, step) if step_state.phase == "stuck")
          )
        end

        private

        # Where the act is on the account's pages, in the words of whoever found it before.
        def on_page(move, step)
          account = at(move, step)
          elsewhere = step.place == "contact" || step.place.end_with?("_host")
          return {} if account.nil? || elsewhere || step.way == "link" || step.by_letter?

          { account: account.id, act: step.act, found: account.habits.dig("where", step.act) }
        end

        def order_line(move, step)
          ManualOrders.new(@ports).line(move) if step.trait?(:orders) && step.place == "gaining"
        end

        # Is the authorization code typed there?
        def types_code?(move, step)
          again = step.trait?(:approval) && at(move, step)&.habits&.fetch("code_at_release", nil)
          (step.trait?(:types_code) || again == true) && !@ports.codes.of_move(move.id).nil?
        end

        def where(move, step)
          return at_host(move, step) if step.place.end_with?("_host")

          account = at(move, step)
          return "contact", contact(move), nil, nil if step.place == "contact"

          service = account.privacy_service if step.place == "service" && step.way == "service"
          return "service-#{account.id}", *service.values_at("title", "site", "login") if service
          if step.trait?(:approval) && move.plan.lapses?
            return "registry", Words.say(:"common.registry_title"), nil, nil
          end

          [account.id, account.title, *account.habits.values_at("site", "login")]
        end

        def at_host(move, step)
          id = step.place == "new_host" ? move.plan.new_host : move.plan.old_host
          host = id && @ports.accounts.host_of(id)
          title = host&.title || Words.say(:"common.present_host")
          ["host-#{id || "present"}", title, *(host&.habits || {}).values_at("site", "login")]
        end

        def at(move, step)
          @ports.accounts.find(step.place == "gaining" ? move.to_account : move.from_account)
        end
        def contact(move) = self.class.contact(@ports.accounts, @ports.names, move)

        def support(move, step)
          account = at(move, step)
          return if step.letter.nil? || account.habits["support"].nil? || step.by_letter?

          Letters::Correspondence.write(
            Letters::Addressee.of(account),
            writer: @ports.sender&.from.to_s,
            reference: move.name,
            parts: [[step.letter, [move.name], []]]
          ).mailto
        end

        # The sentence for the step in its way, where the catalogue has one for that way; else the
        # step's own.
        def does(step, words)
          return Words.say(:"by_hand.write") if step.by_letter?

          Words.maybe(:"steps.#{step.id}.hand_by.#{step.way}", **words) ||
            Words.say(:"steps.#{step.id}.hand", **words)
        end

        # What is typed there, and what the links of the message that asks say: [[label, value]].
        def typed(move, step)
          kind, values = Letters::TypedValues.needed(@ports, move, step)
          reason = step.trait?(:reason) && at(move, step).habits["code_reason"]
          signing_in(move, step) +
            values.each_with_index.map do |s, i|
              [Words.say(:"by_hand.#{kind}", number: i + 1), s]
            end + guarded(move, step) +
            (reason ? [[Words.say(:"by_hand.reason"), Words.say(:"by_hand.our_reason")]] : []) +
            (step.trait?(:approval) ? approvals(move, step) : []) +
            (step.way == "link" ? choices(move, step) : [])
        end

        # The second step of the sign-in, where the act is on the account's own pages.
        def signing_in(move, step)
          elsewhere = !step.place.match?(/\A(?:losing|gaining)\z/) || step.by_letter?
          second = at(move, step)&.habits&.fetch("sign_in", nil)
          return [] if second.nil? || elsewhere || step.way == "link"

          [[Words.say(:"by_hand.at_sign_in"), Words.say(:"by_hand.guard_#{second}")]]
        end

        # What a page wants before it shows a code.
        def guarded(move, step)
          guard = step.trait?(:reason) && at(move, step).habits["code_guard"] or return []
          [[Words.say(:"by_hand.before"), Words.say(:"by_hand.guard_#{guard}")]]
        end

        # Both choices where both are there, each with its words and host: nobody has to trust a
        # colour.
        def choices(move, step)
          links = asked(move, step).flat_map { |message| message.links.to_a }.uniq(&:url)
          told = links.reject { |link| link.role == "other" }
          (told.empty? ? links : told).map do |link|
            words = link.words.empty? ? "–" : link.words
            [Words.say(:"by_hand.link_#{link.role}", words: words, host: link.host), link.url]
          end
        end

        def link(move, step) = asking(move, step).first&.link

        # How many of its approval emails have come, where several are known to be sent.
        def approvals(move, step)
          wanted = mails(move, step)
          return [] if wanted < 2

          come = [asking(move, step).map(&:recipient).uniq.size, wanted].min
          says = Words.say(:"by_hand.approvals_of", come: come, wanted: wanted)
          [[Words.say(:"by_hand.approvals"), says]]
        end

        # So many of them are sent, each to somebody else.
        def mails(move, step) = at(move, step)&.habits&.fetch("approval_mails", nil).to_i

        # Those that have to be answered: the newest to each address, or the newest of all where one
        # is sent.
        def asked(move, step)
          told = asking(move, step)
          wanted = [mails(move, step), 1].max
          wanted == 1 ? told.first(1) : told.uniq(&:recipient).first(wanted)
        end

        # The messages that ask for this approval and that count, from the side where the step is
        # done, the newest first; those with links before others.
        def asking(move, step)
          told =
            @ports
              .messages
              .of_move(move.id)
              .select do |m|
                m.kind == "approval-request" && m.proven? &&
                  (Common::Parties.both(@ports, m.sender, move) == "gaining") ==
                    (step.place == "gaining")
              end
          told.partition { |m| m.links.any? }.reduce(:+)
        end
      end
    end
  end
end
