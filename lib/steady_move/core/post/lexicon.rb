# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # The wording that tells what kind a message is: [weight, pattern, what it says]. Common
      # practice, no source. A new kind is a new row, in the order in which they go first where
      # several weigh the same; its wording in other languages stands in languages/. names_needed:
      # it is only that kind where it speaks of a name that is held; asks: it wants something of
      # whoever reads it; happened: only what has happened counts, not what will or could not.
      module Lexicon
        Kind = Struct.new(:id, :names_needed, :asks, :happened, :wording, keyword_init: true)
        GAP = Language::GAP
        MOVE = "(?:transfer|move|release)"
        WANTS =
          "(?:needs? your|requires? your|awaits? your|is waiting for your|please)".gsub(" ", "\\s")
        AWAY =
          "(?:to another|to a different|to a new|to an? other|away|from us|out)".gsub(" ", "\\s")
        OUTBOUND =
          "transfer[- ]?(?:away|out)|(?:outbound|outgoing) transfer|transfer[- ]away".gsub(
            " ",
            "\\s"
          )
        CHECK = "(?:check|documents?|proof|verification|papers?)"
        BOX = "(?:e-?mail|contact|mailbox|address|registrant (?:data|details|information))"
        OFFER =
          "special offers?|discounts?|stay with us|sorry to see you " \
            "(?:go|leave)|reconsider|voucher|coupon|" \
            "come back|before you (?:go|leave)|save \\d+ ?%|\\d+ ?% off|don['’]t " \
            "leave|we(?:['’]ll| will) miss you"
        PAID =
          "receipt|invoice|payment (?:received|confirmation|of)|order confirmation|" \
            "we (?:have )?received your payment"

        # A sentence that speaks of what may come, not of what has.
        UNDECIDED = /\b(?:if|unless|until|wenn|falls|si|se|als|indien|jeśli|may|might|will\ be)\b/ix

        ALL = [
          Kind.new(
            id: "landed",
            names_needed: true,
            happened: true,
            wording: [
              [
                5,
                /\b(?:transfer|move|migration)\b#{GAP}{0,80}\b(?:completed?|finished|ended|done|
                  successful|
                 succeeded)\b/ix,
                :a_transfer_is_complete
              ],
              [
                5,
                /\b(?:complet(?:ed|ion\ of)|finished|successful)\b#{GAP}{0,30}\b(?:the\ |your\ |
                  domain\ )*transfer\b/ix,
                :a_transfer_is_complete
              ],
              [
                5,
                /\b(?:successfully|been)\ (?:transferred|moved)\b|\btransferred\ (?:in\ |out\ |
                  away\ )?successfully/ix,
                :the_name_has_moved
              ],
              [
                4,
                /\bis now (?:held|registered|managed|in your account|with us|at us)\b/i,
                :the_name_is_held_there_now
              ],
              [
                4,
                /\bhas\ (?:left\ us|arrived|landed)\b|\b(?:was|were)\ transferred\b|\bnow\ (?:its|
                  the)\ registrar\b/ix,
                :the_name_has_moved
              ]
            ]
          ),
          Kind.new(
            id: "approval-request",
            asks: true,
            names_needed: true,
            wording: [
              [
                5,
                /\b(?:please|kindly|you\ must|you\ (?:need|have)\ to|required:?|
                  needed:?)\b#{GAP}{0,40}
              \b(?:approve|confirm|authori[sz]e|accept|release|consent)\b#{GAP}{0,80}\b#{MOVE}/ix,
                :it_asks_to_approve_a_transfer
              ],
              [
                4,
                /\A\W*(?:approve|confirm|authori[sz]e|accept|release)\b#{GAP}{0,80}\b#{MOVE}/i,
                :it_asks_to_approve_a_transfer
              ],
              [
                2,
                /\b(?:approve|confirm|authori[sz]e|accept|release)\b#{GAP}{0,80}\b#{MOVE}/i,
                :it_asks_to_approve_a_transfer
              ],
              [
                4,
                /\b#{MOVE}\b#{GAP}{0,80}\b#{WANTS}\b#{GAP}{0,40}\b(?:approv|confirm|consent|
                  authori|agree)/ix,
                :a_transfer_waits_for_approval
              ],
              [
                4,
                /\b(?:your\ |holder'?s?\ )?(?:approval|consent|confirmation|
                  authori[sz]ation)\b#{GAP}{0,20}
              \b(?:is\ |are\ )?(?:needed|required|wanted|requested|
              outstanding)\b#{GAP}{0,60}\b#{MOVE}/ix,
                :a_transfer_waits_for_approval
              ],
              [
                3,
                /\b#{MOVE}\b#{GAP}{0,40}\b(?:approval|authori[sz]ation(?!\s(?:code|key|info)))\b/i,
                :a_transfer_waits_for_approval
              ],
              [
                4,
                /\bplease\s(?:approve|confirm|accept|authori[sz]e)\s(?:or\s\w+\s)?(?:it|this)\b|
              \byou\smust\s(?:approve|authori[sz]e|confirm)\sthis/ix,
                :it_asks_to_approve_a_transfer
              ],
              [
                3,
                /\bto\s(?:approve|confirm|authori[sz]e|accept)\b#{GAP}{0,20}
              \b(?:click|follow|open|use|press|visit|go)\b/ix,
                :a_link_is_there_to_approve_with
              ],
              [
                3,
                /\b(?:click|follow|open|use|visit|press)\b#{GAP}{0,60}\b(?:link|button|
                  page)\b#{GAP}{0,60}
              \b(?:approve|confirm|accept|authori[sz]e)/ix,
                :a_link_is_there_to_approve_with
              ]
            ]
          ),
          Kind.new(
            id: "identity-check",
            asks: true,
            names_needed: false,
            wording: [
              [
                5,
                /\b(?:identity|identification)\b#{GAP}{0,40}\b#{CHECK}|
              \b(?:verify|prove|confirm)\ (?:your|the\ holder'?s|who)#{GAP}{0,12}\b(?:identity|
              you\ are)|
              \bproof\ of\ identity/ix,
                :it_asks_who_you_are
              ],
              [
                4,
                /\b(?:passport|identity\ card|id\ card|photo\ id|driving\ licen[cs]e|
                  driver'?s\ licen[cs]e)\b/ix,
                :it_asks_for_papers
              ]
            ]
          ),
          Kind.new(
            id: "contact-proof",
            asks: true,
            names_needed: false,
            wording: [
              [
                5,
                /\b(?:verify|confirm|validate|prove|verification\ of|validation\ of)\b
              (?!#{GAP}{0,60}\b#{MOVE})#{GAP}{0,60}\b#{BOX}\b/ix,
                :it_asks_to_prove_an_address
              ],
              [
                5,
                /\b#{BOX}\b#{GAP}{0,20}\b(?:verification|validation|confirmation)\b/i,
                :it_asks_to_prove_an_address
              ],
              [
                3,
                /\b(?:word|phrase)\b#{GAP}{0,40}\b(?:back|reply|answer)/i,
                :a_word_has_to_come_back
              ]
            ]
          ),
          Kind.new(
            id: "code",
            names_needed: true,
            wording: [
              [
                4,
                /\b(?:authori[sz]ation|auth|transfer|epp|release|domain)[\ -]?(?:codes?|keys?|info|
                  secret|token|
                 password)\b|
              \bauth-?(?:info|codes?|key)\b/ix,
                :it_speaks_of_an_authorization_code
              ]
            ]
          ),
          Kind.new(
            id: "leaving-notice",
            asks: true,
            names_needed: true,
            wording: [
              [
                5,
                /\b(?:request|asked|ordered|instruct(?:ed|ion)|notified|notification|informed|
                  told)#{GAP}{0,70}
              \b(?:transfer|move|leave)#{GAP}{0,60}\b(?:#{AWAY}|us)\b/ix,
                :somebody_asked_for_a_transfer_away
              ],
              [
                4,
                /\b(?:is\ (?:to\ leave|leaving|moving\ away)|will\ (?:leave|be\ transferred|
                  move\ away)|
              is\ (?:being|to\ be)\ transferred|about\ to\ (?:leave|be\ transferred)|
              #{OUTBOUND})\b/ix,
                :the_name_is_about_to_leave
              ],
              [4, /\bbecome\s(?:the|its)\snew\sregistrar/i, :somebody_asked_for_a_transfer_away],
              [
                2,
                /\bpending transfer\b|\btransfer (?:is|has become) pending\b/i,
                :the_name_is_about_to_leave
              ],
              [
                3,
                /\bif\ (?:you\ do(?:n['’]t|\ not)?\ (?:do\ )?(?:nothing|anything|take|object|
                  respond|reply|react|
                 answer)|
              we\ (?:do(?:n['’]t|\ not)\ )?hear)/ix,
                :silence_lets_it_go_ahead
              ],
              [
                3,
                /\b(?:to\ (?:stop|cancel|object|refuse|reject|decline|
                  deny))\b#{GAP}{0,60}\b(?:transfer|move)|
              \bunless\ (?:you|we)\b/ix,
                :it_says_how_to_stop_a_transfer
              ],
              [
                2,
                /\bif you did(?:n['’]t| not) (?:ask|request|order|start|initiate)/i,
                :it_says_how_to_stop_a_transfer
              ]
            ]
          ),
          Kind.new(
            id: "lock-notice",
            names_needed: true,
            wording: [
              [
                4,
                /\b(?:transfer|registrar|domain|name)[- ]?(?:lock|protection)\b/i,
                :it_speaks_of_the_transfer_lock
              ],
              [
                4,
                /\bunlock(?:ed|ing)?\b|\b(?:has\ been|was|is\ (?:now\ )?)\ ?(?:un)?locked\b|
              \block\b#{GAP}{0,50}\b(?:off|removed|lifted|on|set|disabled|enabled)\b|
              \b(?:remov|lift|disabl|enabl)(?:e|es|ed|ing)\b#{GAP}{0,20}\block/ix,
                :a_lock_was_set_or_taken_off
              ],
              [3, /clientTransferProhibited/i, :it_names_the_lock_s_status]
            ]
          ),
          Kind.new(
            id: "receipt",
            names_needed: false,
            wording: [
              [5, /\b(?:#{PAID})\b/i, :it_is_about_a_payment],
              [
                3,
                /\bthank you for your (?:order|payment|purchase)\b|\bwe (?:have )?charged\b/i,
                :it_is_about_a_payment
              ],
              [2, /\b(?:total|amount (?:due|paid)|vat|paid|charged)\b/i, :it_holds_a_sum]
            ]
          ),
          Kind.new(
            id: "offer",
            names_needed: false,
            wording: [
              [5, /\b(?:#{OFFER})(?!\w)/i, :it_wants_you_to_stay],
              [
                3,
                /\b(?:renew\ (?:now|today|early)|limited\ time|exclusive|only\ today|last\ chance|
                  upgrade\ (?:now|
                 today))\b/ix,
                :it_wants_to_sell
              ]
            ]
          )
        ].freeze

        UNRELATED = "unrelated"
        # From an account and about a held name, and not understood.
        UNREAD = "read-it-yourself"
        # Every kind there is.
        IDS = (ALL.map(&:id) + [UNREAD, UNRELATED]).freeze
        # Kinds that want something of whoever reads them.
        ASKING = [*ALL.select(&:asks).map(&:id), UNREAD].freeze
        # What a service writes when an identity check went well, and what is written when a
        # transfer ended without a landing, whatever else the message is about.
        PASSED = Regexp.union(Languages::ALL.map(&:passed))
        ENDED = Regexp.union(Languages::ALL.map(&:ended))

        module_function

        # Does it say that a transfer was refused, lapsed or was called off?
        def ended?(text)
          Passages.sentences(text).any? { |s| (m = ENDED.match(s)) && !s.match?(UNDECIDED) && m }
        end

        # Does a message still want an answer at an instant? over: what it is about has ended;
        # answers: it answers a letter of ours; deadline: Time or nil; trust: one of
        # Trust::STATES; passed: an identity check that is.
        def asks?(kind, at:, deadline:, trust:, over:, answers: false, passed: false)
          ASKING.include?(kind) && trust != Trust::DOUBTFUL && !over && !answers && !passed &&
            (deadline.nil? || deadline > at)
        end

        # Does it say that an identity check was passed?
        def passed?(text)
          Passages.sentences(text).any? { |s| (m = PASSED.match(s)) && Passages.happened?(s, m) }
        end
      end
    end
  end
end
