# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # The wording that tells what kind a message is: [weight, pattern, what it says]. Common practice, no source.
      # A new kind is a new row, in the order in which they go first where several weigh the same. names_needed: it is
      # only that kind where it speaks of a name that is held; asks: it wants something of whoever reads it.
      module Lexicon
        Kind = Struct.new(:id, :names_needed, :asks, :wording, keyword_init: true)
        TRANSFER = "(?:transfer|move|release)"
        WANTS = "(?:needs? your|requires? your|awaits? your|please)"
        AWAY = "(?:to another|away|from us|out)"
        LEAVING = "pending transfer|transfer away|outbound transfer"
        CHECK = "(?:check|document|proof|verification)"
        WHO = "(?:verify (?:your|the holder'?s)|proof of)"
        OFFER = "special offer|discount|stay with us|sorry to see you go|reconsider|voucher|come back"
        # Within a sentence: a dot inside a name doesn't end it.
        GAP = "(?:[^.!?\\n]|[.](?=\\w))"

        ALL = [
          Kind.new(id: "landed", names_needed: true, wording: [
            [5,
              /\b(?:transfer|move)\b#{GAP}{0,60}\b(?:completed?|has finished|has ended|succeeded|is done|successful)/i,
              :a_transfer_is_complete],
            [4, /\bis now (?:held|registered|managed) (?:at|with|by)\b/i, :the_name_is_held_there_now],
            [4, /\bhas (?:left us|arrived|been transferred)\b/i, :the_name_has_moved]
          ]),
          Kind.new(id: "approval-request", asks: true, names_needed: true, wording: [
            [4, /\b(?:approve|confirm|authori[sz]e|accept|release)\b#{GAP}{0,80}\b#{TRANSFER}/i,
              :it_asks_to_approve_a_transfer],
            [3,
              /\b#{TRANSFER}\b#{GAP}{0,80}\b#{WANTS}\b#{GAP}{0,40}\b(?:approv|confirm|consent)/i,
              :a_transfer_waits_for_approval],
            [2, /\b(?:click|follow|open|use)\b#{GAP}{0,60}\blink\b#{GAP}{0,60}\b(?:approve|confirm|accept)/i,
              :a_link_is_there_to_approve_with]
          ]),
          Kind.new(id: "identity-check", asks: true, names_needed: false, wording: [
            [5,
              /\b(?:identity|identification)\b#{GAP}{0,40}\b#{CHECK}|\b#{WHO} identity/i, :it_asks_who_you_are],
            [3, /\b(?:passport|identity card|driving licen[cs]e)\b/i, :it_asks_for_papers]
          ]),
          Kind.new(id: "contact-proof", asks: true, names_needed: false, wording: [
            [5, /\b(?:verify|confirm|validate|prove)\b#{GAP}{0,60}\b(?:e-?mail|contact|mailbox|address)\b/i,
              :it_asks_to_prove_an_address],
            [3, /\b(?:word|phrase)\b#{GAP}{0,40}\b(?:back|reply|answer)/i, :a_word_has_to_come_back]
          ]),
          Kind.new(id: "code", names_needed: true, wording: [
            [4, /\b(?:authori[sz]ation|auth|transfer|epp) (?:codes?|keys?|info)\b|\bauth-?info\b|\bauth-?codes?\b/i,
              :it_speaks_of_an_authorization_code]
          ]),
          Kind.new(id: "leaving-notice", asks: true, names_needed: true, wording: [
            [4,
              /\b(?:request|asked|order|instruction)#{GAP}{0,60}\b(?:transfer|move)#{GAP}{0,40}\b#{AWAY}/i,
              :somebody_asked_for_a_transfer_away],
            [3,
              /\b(?:is (?:to leave|leaving)|will (?:leave|be transferred)|#{LEAVING})/i, :the_name_is_about_to_leave],
            [2, /\bif you (?:do nothing|take no action|do not (?:object|respond|reply))/i, :silence_lets_it_go_ahead],
            [2, /\b(?:to (?:stop|cancel|object|refuse|reject))\b#{GAP}{0,60}\b(?:transfer|move)/i,
              :it_says_how_to_stop_a_transfer]
          ]),
          Kind.new(id: "lock-notice", names_needed: true, wording: [
            [4, /\b(?:transfer|registrar|domain) lock\b/i, :it_speaks_of_the_transfer_lock], [4,
              /\b(?:unlocked|lock (?:is|was|has been) (?:off|removed|on|set)|remove the lock)/i,
              :a_lock_was_set_or_taken_off],
            [2, /clientTransferProhibited/, :it_names_the_lock_s_status]
          ]),
          Kind.new(id: "receipt", names_needed: false, wording: [
            [5, /\b(?:receipt|invoice|payment (?:received|confirmation)|order confirmation)\b/i,
              :it_is_about_a_payment], [2, /\b(?:total|amount (?:due|paid)|vat|paid)\b/i, :it_holds_a_sum]
          ]),
          Kind.new(id: "offer", names_needed: false, wording: [
            [5,
              /\b(?:#{OFFER}|before you (?:go|leave)|save \d+ ?%|\d+ ?% off)\b/i, :it_wants_you_to_stay],
            [2, /\b(?:renew (?:now|today)|limited time|exclusive)\b/i, :it_wants_to_sell]
          ])
        ].freeze

        # What a service writes when an identity check went well.
        PASSED = /\b(?:identity|check)\b#{GAP}{0,60}\b(?:passed|complete|completed|accepted|successful)\b/i

        UNRELATED = "unrelated"
        # Every kind there is.
        IDS = (ALL.map(&:id) + [UNRELATED]).freeze
        # Kinds that want something of whoever reads them.
        ASKING = ALL.select(&:asks).map(&:id).freeze

        module_function

        # Does a message still want an answer at an instant? over: what it is about has ended; answers: it answers a
        # letter of ours; deadline: Time or nil.
        def asks?(kind, text:, at:, deadline:, doubtful:, over:, answers: false)
          ASKING.include?(kind) && !doubtful && !over && !answers && !(kind == "identity-check" &&
            text.match?(PASSED)) && (deadline.nil? || deadline > at)
        end

        # Returns [kind id, [what the wording says]]; a subject weighs twice.
        def kind_of(subject, text, names:)
          weighed = ALL.reject { |k| k.names_needed && names.empty? }.map do |kind|
            hits = kind.wording.select { |_, pattern, _| subject.match?(pattern) || text.match?(pattern) }
            [kind.id, hits.sum { |weight, pattern, _| weight * (subject.match?(pattern) ? 2 : 1) }, hits.map(&:last)]
          end
          id, weight, says = weighed.max_by { |kind, sum, _| [sum, -ALL.index { |k| k.id == kind }] }
          weight.to_i.positive? ? [id, says] : [UNRELATED, []]
        end
      end
    end
  end
end
