# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # English.
        module En
          GAP = Language::GAP
          MONTHS = {
            "jan(?:uary)?" => 1,
            "feb(?:ruary)?" => 2,
            "mar(?:ch)?" => 3,
            "apr(?:il)?" => 4,
            "may" => 5,
            "june?" => 6,
            "july?" => 7,
            "aug(?:ust)?" => 8,
            "sept?(?:ember)?" => 9,
            "oct(?:ober)?" => 10,
            "nov(?:ember)?" => 11,
            "dec(?:ember)?" => 12
          }.freeze
          DAYS = {
            "mon(?:day)?" => 1,
            "tue(?:s(?:day)?)?" => 2,
            "wed(?:nesday)?" => 3,
            "thu(?:r(?:s(?:day)?)?)?" => 4,
            "fri(?:day)?" => 5,
            "sat(?:urday)?" => 6,
            "sun(?:day)?" => 0
          }.freeze
          NUMBERS =
            %w[
              one
              two
              three
              four
              five
              six
              seven
              eight
              nine
              ten
              eleven
              twelve
              thirteen
              fourteen
              fifteen
            ].each_with_index.to_h { |w, i| [w, i + 1] }.merge("thirty" => 30, "a" => 1).freeze
          MOVE = "(?:transfer|move|release)"
          WANTS =
            "(?:needs? your|requires? your|awaits? your|is waiting for your|please)".gsub(
              " ",
              "\\s"
            )
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
          NOT = "(?:not|n['’]t|never|without|rather\\sthan|instead\\sof)"
          YES =
            "(?:approv(?:e|al|ing)|accept(?:ing|ance)?|confirm(?:ing|ation)?|releas(?:e|ing)|" \
              "authori[sz](?:e|ing|ation)|agree|consent|allow)"

          NO_CODES = <<~WORDS.split.freeze
            a above accepted account active admin administrator an and approved approving are as
            ask at attached automatic automatically available awaiting be been below billing
            blank blocked button by by-post call can canceled cancelled case changed click
            closed code codes complete completed completing confidential confirmed contact
            control correct created customer customers dashboard date day days declined default
            deleted delivered delivering demand denied details disabled dispatched displayed
            domain done down e-mailed email emailed empty enabled enclosed error errors expired
            expires expiring expiry failed failing failure false fax final first follow
            following follows for found from generated generating given had half has have held
            her here hidden his hold holder hour hours how i in inactive included initial
            inprogress invalid is issued issuing it its kept key later letter link listed lock
            locked login mail mailed manager manual may menu minute minutes missing moved moving
            must na name names nan necessary needed new nil no none not now null number obsolete
            off ok okay old on one onhold online only open opened order our out over owner page
            panel part partial partially pending per permanent phone please portal post posted
            price printed private process processed processing progress protected provided
            public queued re-sent ready received redacted reference refresh refreshed refused
            regards registered registrant registrar registry reissued rejected release released
            removed renew renewal renewed replaced request requested requesting required
            requires resent reset revocable revoked safe safely same scheduled second secret
            secretly securely see sending sensitive sent separately shown sign site sms soon
            stale state stated status strictly submitted success successful successfully
            superseded support suspended tba tbd technical temporary text thanks that the their
            then there they this ticket to today tomorrow total transfer transferred
            transferring transmitted true two unavailable unblocked unchanged unconfirmed
            undefined undelivered under unknown unlock unlocked unlocking unregistered
            unsuccessful unused unverified up upon used valid verified via wait waiting wanted
            was we web website week weeks were when where which who will with withheld within
            wrong yes yesterday you your
          WORDS

          WORDS =
            Language.new(
              id: "en",
              kinds: {
                "landed" => [
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
                    /\bhas\ (?:left\ us|arrived|landed)\b|\b(?:was|were)\ transferred\b|
                      \bnow\ (?:its|
                      the)\ registrar\b/ix,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:please|kindly|you\ must|you\ (?:need|have)\ to|required:?|
                      needed:?)\b#{GAP}{0,40}
                  \b(?:approve|confirm|authori[sz]e|accept|release|
                  consent)\b#{GAP}{0,80}\b#{MOVE}/ix,
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
                    /\b#{MOVE}\b#{GAP}{0,40}\b(?:approval|
                      authori[sz]ation(?!\s(?:code|key|info)))\b/ix,
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
                ],
                "identity-check" => [
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
                ],
                "contact-proof" => [
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
                ],
                "code" => [
                  [
                    4,
                    /\b(?:authori[sz]ation|auth|transfer|epp|release|domain)[\ -]?(?:codes?|keys?|
                      info|
                      secret|token|
                     password)\b|
                  \bauth-?(?:info|codes?|key)\b/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
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
                  [
                    4,
                    /\bbecome\s(?:the|its)\snew\sregistrar/i,
                    :somebody_asked_for_a_transfer_away
                  ],
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
                  \bunless\ (?:you|we)\b#{GAP}{0,40}\b(?:stop|cancel|object|reject|
                      refuse|deny|decline|disagree|tell\ us\ (?:otherwise|to\ stop))\b/ix,
                    :it_says_how_to_stop_a_transfer
                  ],
                  [
                    2,
                    /\bif you did(?:n['’]t| not) (?:ask|request|order|start|initiate)/i,
                    :it_says_how_to_stop_a_transfer
                  ]
                ],
                "lock-notice" => [
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
                ],
                "hold" => [
                  [
                    14,
                    /\b(?:suspended|suspension|on\ hold|deactivated|(?:client|server)Hold)\b/ix,
                    :the_name_is_on_hold
                  ]
                ],
                "unpaid" => [
                  [
                    11,
                    /\b(?:payments?|charges?|cards?|transactions?|debits?|renewals?|invoices?)\b
                     #{GAP}{0,60}\b(?:declined|failed|refused|rejected|unsuccessful|overdue|unpaid|
                     past\ due|did\ not\ go\ through|could\ not\ be|is\ (?:still\ )?open|
                     outstanding)\b|
                     \b(?:declined|failed|unpaid|overdue|outstanding|open|past[- ]due)\ (?:card\ )?
                     (?:payments?|charges?|invoices?|balances?|bills?|amounts?)\b/ix,
                    :a_payment_is_open
                  ],
                  [
                    11,
                    /\b(?:could\ not|couldn['’]t|cannot|can['’]t|unable\ to|not\ able\ to|
                      failed\ to)
                     \b#{GAP}{0,30}\b(?:charge|collect|process|take|debit)\b#{GAP}{0,40}
                     \b(?:payment|card|account|invoice|amount|you)\b/ix,
                    :a_payment_is_open
                  ],
                  [
                    11,
                    /\b(?:(?:was|were)(?:\ not|n['’]t)(?:\ been)?|(?:has|have)(?:\ not|
                      n['’]t)\ been)
                     \ (?:charged|paid|collected|debited)\b/ix,
                    :a_payment_is_open
                  ],
                  [
                    11,
                    /\b(?:payment|invoice|amount|balance|total)\b#{GAP}{0,60}\b(?:is|are|was|falls?|
                     becomes?|now|still)\ due\b|\b(?:payment|amount|
                     balance)\ due\b(?!:?\s*(?:[A-Z]{3}|[€£$])?\s*0[.,]00)|
                     \bdue\ (?:date|by|on)\b#{GAP}{0,40}\b(?:pay|invoice|amount)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [5, /\b(?:#{PAID})\b/i, :it_is_about_a_payment],
                  [
                    3,
                    /\bthank you for your (?:order|payment|purchase)\b|\bwe (?:have )?charged\b/i,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:total|amount paid|vat|paid|charged)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [5, /\b(?:#{OFFER})(?!\w)/i, :it_wants_you_to_stay],
                  [
                    3,
                    /\b(?:renew\ (?:now|today|early)|limited\ time|exclusive|only\ today|
                      last\ chance|
                      upgrade\ (?:now|
                     today))\b/ix,
                    :it_wants_to_sell
                  ]
                ]
              },
              ended:
                /\b(?:transfer|order|move)\b#{GAP}{0,80}\b(?:did(?:\ not|n['’]t)\ (?:take\ place|
                  go\ through|
                  succeed|complete)|could\ not\ be\ (?:placed|completed|carried\ out|processed))|
                  \b(?:transfer|order|request)\b#{GAP}{0,50}\b(?:(?:has|have)\ been|was|
                  were)\ (?:refused|
                  rejected|declined|denied|cancell?ed|withdrawn|aborted)\b|
                  \b(?:transfer|order)\b#{GAP}{0,50}\b(?:has\ )?(?:failed|lapsed|expired)\b|
                  \brefused\b#{GAP}{0,20}\btransfer\b/ix,
              answers: {
                "wants" =>
                  /\b(?:please|kindly)\b#{GAP}{0,40}\b(?:send|provide|attach|supply|forward|upload|
                    reply\ with|confirm|tell\ us|let\ us\ (?:know|have)(?!\ if))\b|
                   \b(?:can|could)\ you\ (?:please\ )?(?:send|provide|attach|confirm|tell)\b|
                   \bwe\ (?:still\ |first\ )?(?:need|require)\b|\bbefore\ we\ can\b/ix,
                "refused" =>
                  /\b(?:can\s?not|can['’]t|won['’]t|(?:are|is)\ (?:unable|not\ able)\ to|
                    (?:will|do|does)\ not|don['’]t)\b#{GAP}{0,12}\b(?:process|do|unlock|release|
                    provide|send|accept|complete|carry|issue|disclose|give|fulfil|help|act)\b|
                   \b(?:request|order)\b#{GAP}{0,40}\b(?:refused|denied|declined|rejected)\b|
                   \b(?:is|was)\ not\ possible\b/ix,
                "done" =>
                  /\b(?:has|have)\ (?:now\ )?been\ (?:unlocked|removed|lifted|disabled|changed|
                    updated|released|sent|set|switched|turned|done|completed)\b|
                   \bis\ (?:now\ )?(?:unlocked|done)\b|\A\W*(?:all\ )?done\b/ix
              },
              passed:
                /\b(?:identity|check|documents?)\b#{GAP}{0,60}\b(?:passed|completed?|accepted|
                  successful|
                  verified)\b/ix,
              approve: /(?<!\p{L})#{YES}(?!\p{L})/i,
              decline:
                /(?<!\p{L})(?:declin|reject|cancel|keep|stop|refus|den(?:y|ied)|object|abort|block|
                  disput|
                      disapprov|revok|withdraw|withhold|retain|remain|stay|prevent|halt|
                      unsubscrib)\w*/ix,
              refusal:
                /(?<!\p{L})(?:#{NOT}\b#{GAP}{0,30}?#{YES}|
                      did\ ?(?:not|n['’]t)\ (?:ask|request|order|initiate|start|make)|no,)/ix,
              unhappened: {
                inside:
                  /\b(?:will|shall|would|may|might|can|could|not|n['’]t|never|cannot|fail(?:ed|s|
                    ure)?|unable|
                       to\ be|
                       about\ to|going\ to|pending|being|need(?:s|ed)?|must|please|unsuccessful|
                       half|almost|nearly|
                       to\ (?:get|have)|incomplete|cancel(?:l?ed)?|rejected|declined|requested?|
                       initiated|started|isn['’]t|how\ to|how\ do|whether|what\ happens)\b|
                       (?:n['’]t)\b/ix,
                opening:
                  /\A\W*(?:once|when|as\ soon\ as|if|after|until|unless|before|upon|to|for)\b|
                        \b(?:once|when|as\ soon\ as|if|until|unless|before|after|
                        upon)\b[^.,;]*\z/ix,
                behind:
                  /\A\W*(?:once|when|if|as\ soon\ as|after|until|unless|within|in\ \d|by\ \d|soon|
                    later|shortly|
                       submitted|requested|initiated|started|received|ordered|queued)\b/ix
              },
              wrote: "wrote|writes",
              earlier:
                "original message|forwarded message|begin forwarded message|previous message|" \
                  "earlier message|ticket history|message history|conversation history|your " \
                  "(?:original )?(?:message|request|enquiry|email)|you wrote|customer wrote|" \
                  "history",
              headers: %w[From Sent To Subject Date Cc],
              footer:
                "you (?:are )?(?:receiv|get)\\w* this|this (?:e-?mail|message) was sent|" \
                  "unsubscribe|©|\\(c\\)|copyright|(?:all )?your other (?:names|domains)|other " \
                  "(?:names|domains) (?:in|with|at)|also in your account|more (?:names|domains) " \
                  "in",
              mailing:
                /unsubscrib\w*|opt[- ]out|
                  (?:e-?mail|mailing|newsletter|notification)\ (?:preferences|settings)/ix,
              of_codes:
                /\A\W{0,3}(?:is\ |are\ |was\ |were\ |has\ been\ |have\ been\ )?(?:status|state|
                  sent|mailed|e-?mailed|
                  requests?\b|requested\b|dates?\b|expir\w*|valid\w*|created|generated|type\b|
                  lifetime|
                  delivery|history|log\b|progress|issued\ (?:on|at)|dispatch\w*|format|length)/ix,
              halves:
                /\b(?:half|halves)\b|\b(?:first|second|one|other|1st|2nd|upper|lower)\s+part\b|
                  \bpart\s*(?:1|2|one|two|i{1,2})\b|\b[12]\s*\/\s*2\b/ix,
              no_codes: NO_CODES,
              codes:
                "(?:(?:authori[sz]ation|auth|transfer|epp|release|registry|domain|unlock(?:ing)?|" \
                  "moving)[ _-]?(?:auth(?:ori[sz]ation)?[ _-]?)?" \
                  "(?:codes?|keys?|info(?:rmation)?|secrets?|tokens?|passwords?|passphrases?|" \
                  "pins?|id)|auth[_-]?(?:info|codes?|keys?)|codes? of authori[sz]ation|" \
                  "(?-i:\\bTACs?\\b)|(?-i:\\bUDAI\\b))",
              leads:
                "(?:until|till|by|before|no later than|not later than|at the latest " \
                  "on|latest|deadline(?: is)?|" \
                  "due(?: by| on| date)?|expires?(?: on| at)?|ends?(?: on| at)?|closes?(?: on| " \
                  "at)?|" \
                  "lapses?(?: on| at)?|" \
                  "up to|on or before|prior to|time limit|last day)",
              within:
                "(?:within|inside|in(?= the next)|you (?:still )?have|have|open for|you(?:'ve| " \
                  "have) got|after|" \
                  "(?:link|request|page|form)\\b[^.\\n]{0,20}\\bvalid for|in)",
              asides:
                /\b(?:paid|registered|renewed|reserved|prepaid|covered|registration|renewal|renews?|
                     subscription|
                     certificate|invoice|offer|discount|voucher|price|campaign|coupon)\b|
                     \b(?:codes?|keys?|auth-?info|name|domain)\b[^.]{0,60}\b(?:valid|expir|ends?|
                     runs?|lapse|good|
                     stays)|
                     \b(?:expiry|expiration|renewal)\ date\b|\b(?:was|were)\ due\b|\bhad\ until\b|
                     \b(?:ended|
                     expired)\b|
                     \b(?:sent|received|created|requested|ordered|started)\ (?:on|at|before|by)\b|
                     \b(?:our|support|office)\ (?:team|office|hours|desk|is|
                     are)\b[^.]{0,40}\b(?:open|closed|answer)/ix,
              acts:
                /\b(?:respond|reply|answer|react|act|object|approv\w*|confirm\w*|cancel\w*|
                  reject\w*|declin\w*|
                   accept\w*|
                   refus\w*|click|hear|do\ nothing|action|contact\ us|verif\w*|validat\w*|unless|
                   if\ you|if\ we|
                   must|please|
                   you\ have|need(?:s|ed)?|send|upload|show|prove|deadline|link|requests?|form|
                   stop|release|log\ in|
                   sign\ in|return|submit|provide|complete|your\ (?:answer|reply|response|consent|
                   decision)|
                   no\ answer|
                   authori[sz]e|tell\ us|let\ us\ know|write)\b/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "h(?:ou)?rs?|h" => 3600,
                "(?:calendar |full )?days?|d" => 86_400,
                "weeks?" => 604_800,
                "(?:business|working|work)[ -]?days?" => :business
              }
            )
        end
      end
    end
  end
end
